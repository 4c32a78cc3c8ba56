import { createServer, request, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Sent } from './requests';

/** What came back for one request. */
export interface Came {
  readonly status: number;
  readonly ms: number;
  readonly text: string;
}

/** A server on a port of its own that requests can be thrown at. */
export interface Target {
  readonly send: (sent: Sent) => Promise<Came>;
  /** Listens to a stream of events until it ends or is left. */
  readonly listen: (path: string, cookie: string, listener: (text: string) => void) => Listening;
  readonly close: () => Promise<void>;
}

/** A stream that is listened to. */
export interface Listening {
  readonly begun: Promise<void>;
  readonly ended: Promise<void>;
  /** Waits until what was heard holds something. */
  readonly next: (words: RegExp) => Promise<void>;
  readonly leave: () => void;
}

function listen(server: Server, path: string, cookie: string, listener: (text: string) => void): Listening {
  const { port } = server.address() as AddressInfo;
  let heard = '';
  const waiting = new Set<() => void>();
  let [begin, end]: [() => void, () => void] = [() => undefined, () => undefined];
  const begun = new Promise<void>((done) => (begin = done));
  const ended = new Promise<void>((done) => (end = done));
  const ran = request({ host: '127.0.0.1', port, path, headers: { Cookie: cookie } }, (response) => {
    response.on('data', (part: Buffer) => {
      begin();
      heard += part.toString();
      listener(part.toString());
      for (const look of waiting) look();
    });
    response.on('close', end);
    response.on('error', () => undefined);
  });
  ran.on('error', end);
  ran.end();
  return {
    begun,
    ended,
    next: (words) =>
      new Promise((done) => {
        const look = () => {
          if (words.test(heard)) done();
        };
        waiting.add(look);
        look();
      }),
    leave: () => {
      ran.destroy();
    },
  };
}

/** Longest that an answer is waited for, ms. */
const MAX_MS = 60_000;

function ask(server: Server, { method, path, headers, body }: Sent): Promise<Came> {
  const began = performance.now();
  const { port } = server.address() as AddressInfo;
  return new Promise((done, fail) => {
    const ran = request({ host: '127.0.0.1', port, method, path, headers, timeout: MAX_MS }, (response) => {
      const parts: Buffer[] = [];
      const told = () => {
        done({
          status: response.statusCode ?? 0,
          ms: performance.now() - began,
          text: Buffer.concat(parts).toString('utf8'),
        });
      };
      response.on('data', (part: Buffer) => {
        parts.push(part);
        // A stream of events has no end of its own.
        if (String(response.headers['content-type']).startsWith('text/event-stream')) {
          told();
          ran.destroy();
        }
      });
      response.on('end', told);
      response.on('error', () => undefined);
    });
    ran.on('timeout', () => {
      ran.destroy(new Error(`${method} ${path} gave no answer in ${MAX_MS} ms.`));
    });
    ran.on('error', fail);
    ran.end(body ?? undefined);
  });
}

export async function target(handle: RequestListener): Promise<Target> {
  const server = createServer(handle);
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  return {
    send: (sent) => ask(server, sent),
    listen: (path, cookie, listener) => listen(server, path, cookie, listener),
    close: () =>
      new Promise((done) => {
        server.close(() => {
          done();
        });
        server.closeAllConnections();
      }),
  };
}

const get = (path: string): Sent => ({ method: 'GET', path: `/api/v1${path}`, headers: {}, body: null });
const SHELF = ['lots', 'moulds', 'inclusions', 'additives', 'gear', 'pieces'];
const PAGES = 200;

interface Items {
  readonly items: readonly Record<string, unknown>[];
}

/** Asks for everything that can be read, and tells what could not be: every list, document, agenda and export. */
export async function unreadable({ send }: Target): Promise<string[]> {
  const failed: string[] = [];
  const read = async (path: string): Promise<Came> => {
    const came = await send(get(path));
    if (came.status !== 200 || (path.startsWith('/learning') && came.text.includes('"failure"')))
      failed.push(`${path}: ${came.status} ${came.text.slice(0, 200)}`);
    return came;
  };
  const items = async (path: string): Promise<Items['items']> => {
    const came = await read(path);
    return came.status === 200 ? (JSON.parse(came.text) as Items).items : [];
  };
  const code = (value: unknown) => encodeURIComponent(String(value));
  for (let page = 1; ; page += 1) {
    const some = await items(`/batches?pageSize=${PAGES}&page=${page}`);
    for (const b of some)
      for (const part of ['', '/history', '/diagnosis', '/pieces']) await read(`/batches/${code(b['code'])}${part}`);
    if (some.length < PAGES) break;
  }
  for (const place of SHELF)
    for (const { item } of await items(`/${place}`)) {
      const own = code((item as { code: string }).code);
      await read(`/${place}/${own}`);
      if (place === 'moulds') await read(`/moulds/${own}/spots`);
    }
  for (const card of await items('/products')) await read(`/products/${code(card['slug'])}/revisions`);
  for (const path of [
    '/agenda.ics',
    '/export/batches.csv',
    '/export/batches.json',
    '/learning?what=patterns',
    '/learning?what=chart',
    '/learning?what=figures',
    '/checks/due?days=400&late=4000',
    '/layers/due?days=400',
    '/trials',
    '/filters',
    '/devices',
    '/backup/schedule',
    '/openapi.json',
  ])
    await read(path);
  return failed;
}
