import express, { type Express } from 'express';
import { MAX_BODY_BYTES, boundAddress, boundBody, sameOrigin } from './http/bounds';
import type { AccessStore } from './access/accessStore';
import { actorNow } from './access/actor';
import { gate, meantForUs, type AccessOptions } from './access/gate';
import { pairings } from './access/pairings';
import { slowDown } from './access/slowDown';
import { mount, type Endpoint, type Told } from './http/endpoint';
import { errorHandler } from './http/errorHandler';
import { notFound } from './http/problem';
import { securityHeaders, site } from './http/site';
import { backupRouter, backupRoutes, type BackupDeps } from './routes/backup';
import type { Checked } from './backup/checkBackup';
import { accessRoutes } from './routes/access';
import { agendaRouter, checkRoutes, mayReadCalendar } from './routes/checks';
import { learningRouter, trialRoutes } from './routes/learning';
import { exportRouter, logRoutes } from './routes/log';
import { pieceRoutes } from './routes/pieces';
import type { FactStore } from './store/factStore';
import type { FilterStore } from './store/filterStore';
import type { PieceStore } from './store/pieceStore';
import type { SeriesStore } from './store/seriesStore';
import type { LearningRunner } from './work/learningRunner';
import { batchRoutes } from './routes/batches';
import { diagnoseRoutes } from './routes/diagnose';
import { documentRoutes } from './routes/documents';
import type { Device } from './devices/device';
import type { ChangeBus } from './live/changeBus';
import type { StudioClock } from './live/studioClock';
import { deviceRoutes } from './routes/devices';
import { eventsRouter } from './routes/events';
import { photoRouter } from './routes/photos';
import { planRoutes } from './routes/plan';
import { productRoutes } from './routes/products';
import { readingRouter, readingRoutes } from './routes/readings';
import { searchRoutes } from './routes/search';
import { shelfRoutes } from './routes/shelf';
import type { CheckStore } from './store/checkStore';
import type { PastStore } from './store/pastStore';
import type { BatchStore } from './store/batchStore';
import type { PhotoStore } from './store/photoStore';
import type { ProductStore } from './store/productStore';
import type { ReadingStore } from './store/readingStore';
import type { Found } from './store/searchStore';
import type { Shelf } from './store/shelf';
import type { PlanRunner } from './work/planRunner';

export const API_PREFIX = '/api/v1';

export interface AppDeps {
  readonly products: ProductStore;
  readonly batches: BatchStore;
  readonly shelf: Shelf;
  readonly checks: CheckStore;
  readonly past: PastStore;
  readonly photos: PhotoStore;
  readonly facts: FactStore;
  readonly filters: FilterStore;
  readonly pieces: PieceStore;
  readonly series: SeriesStore;
  readonly learner: LearningRunner;
  readonly backup: BackupDeps;
  readonly search: (words: string) => Promise<Found[]>;
  /** Who may come in, and how. */
  readonly access: AccessOptions;
  readonly people: AccessStore;
  readonly readings: ReadingStore;
  readonly planner: PlanRunner;
  readonly devices: readonly Device[];
  readonly bus: ChangeBus;
  readonly clock: StudioClock;
  /** Folder of the built application; none serves the API alone. */
  readonly webRoot?: string | undefined;
  /** Told of failures that nobody foresaw. */
  readonly log: (error: unknown) => void;
}

/** The whole HTTP application over its stores. Never listens. */
export function createApp({
  products,
  batches,
  shelf,
  checks,
  past,
  photos,
  facts,
  filters,
  pieces,
  series,
  learner,
  backup,
  search,
  access,
  people,
  readings,
  planner,
  devices,
  bus,
  clock,
  webRoot,
  log,
}: AppDeps): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  app.set('query parser', 'simple');
  app.use(securityHeaders());

  app.use(boundAddress, meantForUs(access));
  if (access.proxies?.length) app.set('trust proxy', [...access.proxies]);

  const api = express.Router();
  api.use(sameOrigin, gate(access, people));
  const tell: Told = async (what, place) => {
    await people.did(actorNow(), what, place).catch(log);
  };
  api.use(readingRouter(readings, people, clock.now));
  api.use(photoRouter(photos));
  api.use(
    agendaRouter({ checks, batches, products, pieces, now: clock.now, mayRead: mayReadCalendar(access, people) }),
  );
  api.use(learningRouter({ facts, products, shelf, learner, log }));
  api.use(exportRouter(batches, tell));
  const waiting = new Map<string, Checked>();
  api.use(backupRouter(backup, waiting, tell));
  api.use(eventsRouter({ bus, clock, devices, log, access: people }));
  api.use(express.json({ limit: MAX_BODY_BYTES }), boundBody);
  api.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  const routes: Endpoint[] = [
    ...productRoutes(products),
    ...logRoutes(batches, filters),
    ...pieceRoutes(pieces),
    ...trialRoutes(batches, series),
    ...backupRoutes(backup, waiting),
    ...batchRoutes(batches, products, past, pieces, clock.now),
    ...checkRoutes(checks, past, pieces, clock.now),
    ...shelfRoutes(shelf),
    ...searchRoutes(search),
    ...diagnoseRoutes(clock.now),
    ...planRoutes(planner),
    ...deviceRoutes(devices, clock.now),
    ...readingRoutes(readings),
    ...accessRoutes({ store: people, options: access, pairings: pairings(clock.now) }),
  ];
  const all = [...routes, ...documentRoutes(routes, API_PREFIX)];
  api.post(['/session', '/pairings/use', '/people/:code/secret'], ...slowDown());
  mount(api, all, tell);
  app.locals['endpoints'] = all;
  api.use((request) => {
    throw notFound(`${request.method} ${API_PREFIX}${request.path}`);
  });

  app.use(API_PREFIX, api);
  if (webRoot) app.use(site(webRoot));
  app.use((request) => {
    throw notFound(request.path);
  });
  app.use(errorHandler(log));
  return app;
}
