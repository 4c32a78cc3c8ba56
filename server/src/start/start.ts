import { statfsSync } from 'node:fs';
import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { dirname } from 'node:path';
import type { Config } from '../config';
import { fillDemo, removeDatabase } from '../demo/fillDemo';
import { hostStudio } from '../hostStudio';
import { studioClock } from '../live/studioClock';
import { threadLearner } from '../work/threadLearner';
import { threadPlanner } from '../work/threadPlanner';
import { FolderTaken, lockFolder, ownerOf } from './folderLock';
import { NoRoom } from './startProblem';

/** A server that serves until it is stopped. */
export interface Running {
  readonly address: string;
  readonly stop: () => Promise<void>;
}

/** Less room than this on the disk, bytes, and nothing is begun. */
const LEAST_ROOM = 20_000_000;
/** Connections held at once, and how long what is under way may take when the server stops, ms. */
const [MOST_CONNECTIONS, STOP_MS] = [512, 500];
/** A whole backup may take this long to come in, ms. */
const REQUEST_MS = 60 * 60_000;

const notYet: RequestListener = (_request, response) => {
  response.writeHead(503, { 'Content-Type': 'application/json', 'Retry-After': '2' }).end(
    JSON.stringify({
      error: { code: 'starting', message: 'Warm Jar is starting. Try again in a moment.', issues: [] },
    }),
  );
};

/** @throws the system's error where it cannot listen there */
async function listen(server: Server, port: number, host: string): Promise<number> {
  await new Promise<void>((done, fail) => {
    server.once('error', fail);
    server.listen(port, host, () => {
      server.off('error', fail);
      done();
    });
  });
  return (server.address() as AddressInfo).port;
}

const isAlive = (pid: number) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
};

/** A port that is taken by the server of this very folder is told as that. */
function whoseServer(error: unknown, folder: string): unknown {
  if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') return error;
  const owner = ownerOf(folder);
  return owner !== null && isAlive(owner.pid) ? new FolderTaken(folder, owner) : error;
}

function requireRoom(folder: string): void {
  const { bavail, bsize } = statfsSync(folder);
  if (bavail * bsize < LEAST_ROOM) throw new NoRoom(folder, bavail * bsize);
}

/**
 * Starts it: first the port, then the folder, and only then is anything of the studio's touched.
 * @throws what `startProblem` puts into words
 */
export async function start(config: Config, log: (error: unknown) => void): Promise<Running> {
  const folder = dirname(config.file);
  let handle: RequestListener = notYet;
  const server = createServer({ requestTimeout: REQUEST_MS }, (request, response) => {
    handle(request, response);
  });
  server.maxConnections = MOST_CONNECTIONS;
  const port = await listen(server, config.port, config.host).catch((error: unknown) => {
    throw whoseServer(error, folder);
  });
  server.on('error', log);
  const shut = () =>
    new Promise<void>((done) => {
      server.close(() => {
        done();
      });
      server.closeIdleConnections();
      setTimeout(() => {
        server.closeAllConnections();
      }, STOP_MS).unref();
    });
  try {
    const lock = await lockFolder(folder);
    requireRoom(folder);
    if (config.demo) removeDatabase(config.file);
    const studio = await hostStudio({
      file: config.file,
      webRoot: config.webRoot,
      planner: threadPlanner(),
      learner: threadLearner(),
      clock: studioClock(config.speed),
      schedule: true,
      log,
    });
    if (config.demo) await fillDemo(studio.current(), studio.current().clock.now());
    handle = studio.handle;
    const address = `http://${config.host}:${port}`;
    lock.tell(address);
    return {
      address,
      stop: async () => {
        await shut();
        await studio.close();
        await lock.release();
      },
    };
  } catch (error) {
    server.closeAllConnections();
    await shut();
    throw error;
  }
}
