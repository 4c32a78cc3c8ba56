import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { readConfig, type Config } from './config';
import { guard } from './start/guard';
import { start, type Running } from './start/start';
import { startProblem } from './start/startProblem';
import { tabletWords } from './start/tabletWords';

const webRoot = resolve(dirname(fileURLToPath(import.meta.url)), '../../web/dist');
const log = (error: unknown) => {
  console.error(error);
};

async function main(config: Config): Promise<void> {
  let running: Running | null = null;
  let stopping = false;
  const stop = () => {
    // Told to while it starts, it ends as if killed: nothing is lost by that.
    if (running === null) process.exit(0);
    if (stopping) return;
    stopping = true;
    running.stop().then(
      () => process.exit(0),
      (error: unknown) => {
        log(error);
        process.exit(1);
      },
    );
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  running = await start(config, log);
  const unforeseen = guard(log, stop);
  process.on('uncaughtException', unforeseen);
  process.on('unhandledRejection', unforeseen);
  console.log(`Warm Jar is at ${running.address}`);
  if (running.trust) {
    console.log(`Other devices learn to trust it at ${running.trust.address}`);
    console.log(`Its certificate, to be compared there: ${running.trust.fingerprint}`);
  }
  if (config.now) console.log(`Its clock was set: it started at ${config.now.toString()}`);
  if (config.mode === 'open') console.log('It is open: whoever reaches it may read and write everything.');
  for (const line of tabletWords(config)) console.log(line);
  if (!config.demo) console.log(`The studio's data: ${config.file}`);
}

/** One sentence for whoever started it, and the end. */
function giveUp(says: string): never {
  console.error(says);
  process.exit(1);
}

let config: Config;
try {
  config = readConfig(process.env, process.argv.slice(2), webRoot);
} catch (error) {
  giveUp(error instanceof Error ? error.message : String(error));
}
/** What an error says and where: those of the store bring a trace without their own words. */
function toldWhole(error: unknown): string {
  if (!(error instanceof Error)) return String(error);
  const { message, stack = '' } = error;
  return stack.includes(message) ? stack : `${message}\n${stack}`;
}

main(config).catch((error: unknown) => {
  const starting = { host: config.host, port: config.port, file: config.file, folder: dirname(config.file) };
  giveUp(startProblem(error, starting) ?? toldWhole(error));
});
