import { mkdtemp, rm } from 'node:fs/promises';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { LOOK_ROUND_PATH } from '@warm-jar/core';
import { SESSION_COOKIE, cookieIn, type AccessOptions } from './access/gate';
import { may, needOf, plainPath } from './access/rights';
import { fillDemo } from './demo/fillDemo';
import type { StudioClock } from './live/studioClock';
import { openStudio, type Studio, type StudioOptions } from './studio';
import type { PlanRunner } from './work/planRunner';

/** The demo studio beside the studio's own, under a path of its own: to be looked round in, and thrown away. */
export interface LookRound {
  readonly isOpen: () => boolean;
  /** Makes it, where there is none. */
  readonly begin: () => Promise<void>;
  /** Throws it away with all that was done in it. */
  readonly end: () => Promise<void>;
  /** Whether a request is for it. */
  readonly takes: (request: IncomingMessage) => boolean;
  readonly handle: (request: IncomingMessage, response: ServerResponse) => void;
}

export interface LookRoundOptions {
  readonly webRoot?: string | undefined;
  readonly access: AccessOptions;
  readonly clock?: StudioClock | undefined;
  readonly learner?: StudioOptions['learner'];
  readonly planner?: (() => PlanRunner) | undefined;
  readonly log: (error: unknown) => void;
  /** The studio's own, who knows who is signed in. */
  readonly own: () => Studio;
}

/** Nobody looked for so long: it is thrown away by itself, ms. */
const FORGOTTEN_MS = 2 * 3_600_000;

interface Open {
  readonly studio: Studio;
  readonly folder: string;
}

const problem = (code: string, message: string) => JSON.stringify({ error: { code, message, issues: [] } });

/** What is under way may take so long, and what it writes behind its answer so long again, ms. */
const [LET_FINISH_MS, WRITES_MS] = [1_000, 150];
const after = (ms: number) =>
  new Promise<void>((done) => {
    setTimeout(done, ms);
  });

/** Lets answers go out; streams that would never end are broken off. */
async function finished(under: ReadonlySet<ServerResponse>): Promise<void> {
  const until = Date.now() + LET_FINISH_MS;
  while (under.size > 0 && Date.now() < until) await after(20);
  for (const response of under) response.destroy();
  await after(WRITES_MS);
}

/** What is left of an address behind the path of the look-round. */
function innerAddress(url: string): string {
  const rest = url.slice(LOOK_ROUND_PATH.length);
  return rest.startsWith('/') ? rest : `/${rest}`;
}

const isUnder = (url: string) =>
  url === LOOK_ROUND_PATH || url.startsWith(`${LOOK_ROUND_PATH}/`) || url.startsWith(`${LOOK_ROUND_PATH}?`);

async function throwAway({ studio, folder }: Open): Promise<void> {
  await studio.close();
  await rm(folder, { recursive: true, force: true });
}

async function make(
  { webRoot, access, clock, learner, planner, log }: LookRoundOptions,
  end: LookRound,
): Promise<Open> {
  const folder = await mkdtemp(join(tmpdir(), 'warm-jar-look-round-'));
  const studio = await openStudio({
    file: join(folder, 'studio.sqlite'),
    disposable: true,
    webRoot,
    // Who may come in was asked at the door of the studio's own.
    access: { ...access, mode: access.mode === 'people' ? 'open' : access.mode },
    log,
    lookRound: end,
    ...(clock ? { clock } : {}),
    ...(learner ? { learner } : {}),
    ...(planner ? { planner: planner() } : {}),
  });
  const open = { studio, folder };
  try {
    await fillDemo(studio, studio.clock.now());
  } catch (error) {
    await throwAway(open);
    throw error;
  }
  return open;
}

/** Copies are the studio's own affair: they are written to its disk, and a look-round leaves nothing there. */
const NOT_HERE = /^\/backup(?:[/.]|$)/;

type Refusal = readonly [status: number, code: string, message: string];

/**
 * Why a request is not let into the look-round; null where it is. Who may do what is asked at the door of the studio's
 * own: signed in there, with the rights that one has there.
 */
async function refusalOf(
  { access, own }: LookRoundOptions,
  request: IncomingMessage,
  path: string,
): Promise<Refusal | null> {
  if (NOT_HERE.test(path)) return [403, 'not-here', 'Copies are made of your own studio, not of this one.'];
  if (access.mode !== 'people') return null;
  const token = cookieIn(request.headers.cookie, SESSION_COOKIE);
  const actor = token && (await own().people.actorOf(token, request.socket.remoteAddress ?? ''));
  if (!actor) return [401, 'sign-in', 'Sign in first.'];
  return may(actor.role, needOf(request.method ?? 'GET', path))
    ? null
    : [403, 'not-yours', 'That is for a lead. Ask one.'];
}

const GONE: Refusal = [404, 'not-found', 'The look-round is over. Open your own studio.'];
/** The path behind the API's prefix. */
const API = /^\/api\/v1(\/.*)?$/;

/** What asks for data is told; a page is led to the studio's own. */
function refuse(response: ServerResponse, isApi: boolean, status: number, code: string, message: string): void {
  if (isApi) response.writeHead(status, { 'Content-Type': 'application/json' }).end(problem(code, message));
  else response.writeHead(302, { Location: '/' }).end();
}

export function lookRound(options: LookRoundOptions): LookRound {
  let open: Promise<Open> | null = null;
  let isReady = false;
  /** What is being answered: it is let finish before what it stands on goes. */
  const under = new Set<ServerResponse>();
  let forgotten: NodeJS.Timeout | null = null;

  const again = () => {
    if (forgotten) clearTimeout(forgotten);
    forgotten = setTimeout(() => {
      self.end().catch(options.log);
    }, FORGOTTEN_MS);
    forgotten.unref();
  };

  async function pass(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const address = innerAddress(request.url ?? '/');
    const path = API.exec(plainPath(address.replace(/\?.*$/, '')))?.[1] ?? null;
    const refusal = await refusalOf(options, request, path ?? '/');
    // It may have been thrown away meanwhile.
    if (open === null || refusal !== null) {
      refuse(response, path !== null, ...(open === null ? GONE : (refusal ?? GONE)));
      return;
    }
    const { studio } = await open;
    again();
    under.add(response);
    response.once('close', () => under.delete(response));
    request.url = address;
    studio.app(request, response);
  }

  const self: LookRound = {
    isOpen: () => isReady,
    begin: async () => {
      const making = (open ??= make(options, self));
      try {
        await making;
        // Unless it was thrown away while it was made.
        isReady = open === making;
        again();
      } catch (error) {
        open = null;
        throw error;
      }
    },
    end: async () => {
      const ending = open;
      [open, isReady] = [null, false];
      if (forgotten) clearTimeout(forgotten);
      if (!ending) return;
      const made = await ending;
      await finished(under);
      await throwAway(made);
    },
    takes: (request) => isUnder(request.url ?? ''),
    handle: (request, response) => {
      pass(request, response).catch((error: unknown) => {
        options.log(error);
        if (!response.headersSent) response.writeHead(503).end();
      });
    },
  };
  return self;
}
