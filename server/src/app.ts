import express, { type Express, type Router } from 'express';
import { actorNow } from './access/actor';
import { gate, mayRead, meantForUs } from './access/gate';
import { slowDown } from './access/slowDown';
import type { AppDeps } from './appDeps';
import { MAX_BODY_BYTES, boundAddress, boundBody, sameOrigin } from './http/bounds';
import { mount, mountStreams, type Endpoint, type Told } from './http/endpoint';
import { errorHandler } from './http/errorHandler';
import { notFound } from './http/problem';
import { sameStudio } from './http/sameStudio';
import { packedAnswers, securityHeaders, site } from './http/site';
import { allEndpoints } from './routes/all';

export type { AppDeps } from './appDeps';

export const API_PREFIX = '/api/v1';

/** Where secrets are tried, and so slowed down. */
const TRIED = ['/session', '/pairings/use', '/people/:code/secret'];

/** Everything behind the API's prefix: the gate first, then what streams, then what takes JSON. */
function apiRouter(deps: AppDeps, endpoints: readonly Endpoint[]): Router {
  const { access, people, log, studio } = deps;
  const tell: Told = async (what, place) => {
    await people.did(actorNow(), what, place).catch(log);
  };
  const api = express.Router();
  api.use(sameOrigin, sameStudio(studio), gate(access, people));
  mountStreams(api, endpoints, tell);
  api.use(express.json({ limit: MAX_BODY_BYTES }), boundBody);
  api.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  api.post(TRIED, ...slowDown());
  mount(api, endpoints, tell);
  api.use((request) => {
    throw notFound(`${request.method} ${API_PREFIX}${request.path}`);
  });
  return api;
}

/** The whole HTTP application over its stores. Never listens. */
export function createApp(deps: AppDeps): Express {
  const { access, people, webRoot, log } = deps;
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  app.set('query parser', 'simple');
  app.use(securityHeaders(), packedAnswers());
  app.use(boundAddress, meantForUs(access));
  if (access.proxies?.length) app.set('trust proxy', [...access.proxies]);

  const endpoints = allEndpoints(deps, API_PREFIX);
  app.locals['endpoints'] = endpoints;
  app.use(API_PREFIX, apiRouter(deps, endpoints));
  if (webRoot) app.use(site(webRoot, API_PREFIX, mayRead(access, people)));
  app.use((request) => {
    throw notFound(request.path);
  });
  app.use(errorHandler(log));
  return app;
}
