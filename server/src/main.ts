import { createServer } from 'node:http';
import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { readConfig } from './config';
import { studioClock } from './live/studioClock';
import { fillDemo, removeDatabase } from './demo/fillDemo';
import { hostStudio } from './hostStudio';
import { threadLearner } from './work/threadLearner';
import { threadPlanner } from './work/threadPlanner';

const webRoot = resolve(dirname(fileURLToPath(import.meta.url)), '../../web/dist');

async function main(): Promise<void> {
  const config = readConfig(process.env, process.argv.slice(2));
  if (config.demo) removeDatabase(config.file);
  const studio = await hostStudio({
    file: config.file,
    webRoot,
    planner: threadPlanner(),
    learner: threadLearner(),
    clock: studioClock(config.speed),
    schedule: true,
  });
  if (config.demo) await fillDemo(studio.current(), studio.current().clock.now());
  const server = createServer(studio.handle);
  server.on('error', (error) => {
    console.error(`Warm Jar cannot listen on ${config.host}:${config.port}: ${error.message}. Set PORT to a free one.`);
    process.exit(1);
  });
  server.listen(config.port, config.host, () => {
    const address = server.address();
    const port = typeof address === 'object' && address ? address.port : config.port;
    console.log(`Warm Jar is at http://${config.host}:${port}`);
    if (!config.demo) console.log(`The studio's data: ${config.file}`);
  });
  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    server.close(() => {
      studio.close().then(
        () => process.exit(0),
        (error: unknown) => {
          console.error(error);
          process.exit(1);
        },
      );
    });
    server.closeIdleConnections();
    setTimeout(() => {
      server.closeAllConnections();
    }, 500).unref();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
