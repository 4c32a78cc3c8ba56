import { codeFault } from '@warm-jar/core';
import express, { type Request, type Response, type Router } from 'express';
import { Problem } from '../http/problem';
import type { MayAsk } from '../http/viewLinks';
import type { AccessStore } from './accessStore';
import { asActor, type Actor } from './actor';
import { isMeantForUs } from './hosts';
import { may, needOf } from './rights';

/**
 * `local`: on the loopback, without sign-in. `open`: on a network, and the owner said that anybody may come in.
 * `people`:
 * on a network, by sign-in.
 */
export type Mode = 'local' | 'open' | 'people';

export interface AccessOptions {
  readonly mode: Mode;
  /** Names this server goes by, beside its addresses. */
  readonly hosts?: readonly string[];
  /** Addresses of proxies whose word is taken for where a request came from. */
  readonly proxies?: readonly string[];
  /** Where this studio is reached, for codes that other devices read; as the browser says where it is not given. */
  readonly address?: string | undefined;
  /**
   * Where the certificate of this studio's own authority is handed out, and
   * what is compared of it; null where there is none.
   */
  readonly trust?: { readonly address: string; readonly fingerprint: string } | null;
}

export const SESSION_COOKIE = 'warm-jar-session';
/** Where the page says who was chosen on it, where nobody signs in. */
const BY_HEADER = 'x-warm-jar-by';

/** The value of a cookie in a request's header; null where it was not sent. */
export function cookieIn(header: string | undefined, name: string): string | null {
  const found = (header ?? '')
    .split(';')
    .map((c) => c.trim())
    .find((c) => c.startsWith(`${name}=`));
  return found ? found.slice(name.length + 1) : null;
}
const cookieOf = (request: Request, name: string) => cookieIn(request.get('cookie'), name);
/** What a device on a wire shows. */
export const bearerOf = (request: Request): string | null =>
  /^Bearer ([A-Za-z0-9_-]{20,100})$/.exec(request.get('authorization') ?? '')?.[1] ?? null;

const addressOf = (request: Request) => request.ip ?? request.socket.remoteAddress ?? '';

function chosenOn(request: Request): string | null {
  const header = request.get(BY_HEADER);
  if (header === undefined) return null;
  try {
    const person = decodeURIComponent(header);
    return codeFault(person) === null ? person : null;
  } catch {
    return null;
  }
}

/** Who a request comes from; null where they would have to sign in. */
async function whoIs(request: Request, mode: Mode, store: AccessStore): Promise<Actor | null> {
  const address = addressOf(request);
  if (mode !== 'people') return { person: chosenOn(request), role: 'lead', verified: false, session: null, address };
  const token = cookieOf(request, SESSION_COOKIE);
  return token === null ? null : store.actorOf(token, address);
}

/** Refuses requests that were meant for another name: somebody's page made its own name point here. */
export function meantForUs({ mode, hosts = [] }: AccessOptions): Router {
  const router = express.Router();
  router.use((request, _response, next) => {
    if (!isMeantForUs(request.host, mode !== 'local', hosts))
      throw new Problem(403, 'other-host', 'This server does not go by that name. Open it by its own address.');
    next();
  });
  return router;
}

/** Lets in who may, and remembers who it is for all that the request does. */
export function gate({ mode }: AccessOptions, store: AccessStore): Router {
  const router = express.Router();
  router.use(async (request, response, next) => {
    const need = needOf(request.method, request.path);
    const actor = await whoIs(request, mode, store);
    (response.locals as { actor?: Actor | null }).actor = actor;
    if (need === 'device') {
      next();
      return;
    }
    if (actor === null) {
      if (need === 'nobody') next();
      else throw new Problem(401, 'sign-in', 'Sign in first.');
      return;
    }
    if (!may(actor.role, need))
      throw new Problem(
        403,
        'not-yours',
        actor.role === 'board' ? 'A board only shows. Sign in as yourself.' : 'That is for a lead. Ask one.',
      );
    asActor(actor, next);
  });
  return router;
}

/** What who sent a request would be let in to read: asked before they ask. Nothing, where that cannot be found out. */
export function mayRead({ mode }: AccessOptions, store: AccessStore): (request: Request) => MayAsk {
  return (request) => {
    let who: Promise<Actor | null> | null = null;
    return async (path) => {
      who ??= whoIs(request, mode, store).catch(() => null);
      const actor = await who;
      return actor !== null && may(actor.role, needOf('GET', path));
    };
  };
}

/** Who the gate let in; null for nobody. */
export const actorOf = (response: Response): Actor | null =>
  (response.locals as { actor?: Actor | null }).actor ?? null;
