import { statfsSync } from 'node:fs';
import type { RequestListener, Server } from 'node:http';
import { dirname } from 'node:path';
import type { Config } from '../config';
import { fillDemo, removeDatabase } from '../demo/fillDemo';
import { hostStudio } from '../hostStudio';
import { studioClock } from '../live/studioClock';
import { threadLearner } from '../work/threadLearner';
import { threadPlanner } from '../work/threadPlanner';
import { FolderTaken, lockFolder, ownerOf, type FolderLock } from './folderLock';
import { addressOf, hostsOf, listen, secure, serverFor, type Trust } from './serving';
import { NoRoom, NobodySetUp } from './startProblem';

/** A server that serves until it is stopped. */
export interface Running {
  readonly address: string;
  /** Where other devices fetch the studio's own certificate, and what is compared of it; null where there is none. */
  readonly trust: Pick<Trust, 'address' | 'fingerprint'> | null;
  readonly stop: () => Promise<void>;
}

/** Less room than this on the disk, bytes, and nothing is begun. */
const MIN_ROOM = 20_000_000;
/** How long what is under way may take when the server stops, ms. */
const STOP_MS = 500;

const notYet: RequestListener = (_request, response) => {
  response.writeHead(503, { 'Content-Type': 'application/json', 'Retry-After': '2' }).end(
    JSON.stringify({
      error: { code: 'starting', message: 'Warm Jar is starting. Try again in a moment.', issues: [] },
    }),
  );
};

const isAlive = (pid: number) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
};

const closed = (server: Server) =>
  new Promise<void>((done) => {
    server.close(() => {
      done();
    });
    server.closeIdleConnections();
    setTimeout(() => {
      server.closeAllConnections();
    }, STOP_MS).unref();
  });

/** A port that is taken by the server of this very folder is told as that. */
function whoseServer(error: unknown, folder: string): unknown {
  if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') return error;
  const owner = ownerOf(folder);
  return owner !== null && isAlive(owner.pid) ? new FolderTaken(folder, owner) : error;
}

function requireRoom(folder: string): void {
  const { bavail, bsize } = statfsSync(folder);
  if (bavail * bsize < MIN_ROOM) throw new NoRoom(folder, bavail * bsize);
}

/** The studio of a configuration, on its threads and behind its door. */
const openFor = (config: Config, port: number, trust: Trust | null, log: (error: unknown) => void) =>
  hostStudio({
    file: config.file,
    disposable: config.demo,
    webRoot: config.webRoot,
    planner: threadPlanner(),
    anotherPlanner: threadPlanner,
    learner: threadLearner(),
    clock: studioClock(config.speed, Date.now, config.now),
    schedule: true,
    log,
    access: {
      mode: config.mode,
      hosts: hostsOf(config),
      proxies: config.proxies,
      address: config.mode === 'local' ? undefined : addressOf(config, port),
      trust: trust && { address: trust.address, fingerprint: trust.fingerprint },
    },
  });

/**
 * Starts it: first the port, then the folder, and only then is anything of the studio's touched.
 * @throws what `startProblem` puts into words
 */
export async function start(config: Config, log: (error: unknown) => void): Promise<Running> {
  const folder = dirname(config.file);
  let handle: RequestListener = notYet;
  const server = serverFor(config, (request, response) => {
    handle(request, response);
  });
  const port = await listen(server, config.port, config.host).catch((error: unknown) => {
    throw whoseServer(error, folder);
  });
  server.on('error', log);
  let trust: Trust | null = null;
  const shut = async () => {
    for (const one of [server, ...(trust ? [trust.server] : [])]) await closed(one);
  };
  let lock: FolderLock | null = null;
  try {
    const held = await lockFolder(folder);
    lock = held;
    requireRoom(folder);
    if (config.demo) removeDatabase(config.file);
    trust = await secure(config, folder, server, port);
    const studio = await openFor(config, port, trust, log);
    if (config.mode === 'people' && !(await studio.current().people.hasLead())) {
      await studio.close();
      throw new NobodySetUp();
    }
    if (config.demo) await fillDemo(studio.current(), studio.current().clock.now());
    handle = studio.handle;
    const address = addressOf(config, port);
    held.tell(address);
    return {
      address,
      trust,
      stop: async () => {
        await shut();
        await studio.close();
        await held.release();
      },
    };
  } catch (error) {
    await lock?.release();
    server.closeAllConnections();
    await shut();
    throw error;
  }
}
