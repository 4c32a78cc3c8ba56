import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, existsSync, mkdtempSync, renameSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** The moment at which every test's studio begins, whatever the day it is run on. */
export const BEGUN = new Date(2027, 2, 18, 14, 30);

const ROOT = new URL('../..', import.meta.url).pathname;

/** The built application, served for a test from a folder of its own. */
export interface Application {
  readonly address: string;
  /** The studio's moment. */
  readonly now: () => Date;
  /** Lets time go by in the studio. */
  readonly advance: (seconds: number) => Promise<void>;
  /** Ends it and takes its data away. */
  readonly stop: () => Promise<void>;
  /** Ends it as Ctrl-C does; its data stay. */
  readonly halt: () => Promise<void>;
  readonly restart: () => Promise<Application>;
  /** Pulls the plug, as a power cut would. */
  readonly kill: () => Promise<void>;
  /** Starts it again where it was, on the same data. */
  readonly resume: () => Promise<void>;
}

function serve(
  data: string,
  args: readonly string[],
  port: number,
  speed: number,
  now: Date,
  env: Readonly<Record<string, string>> = {},
): Promise<{ child: ChildProcess; address: string }> {
  const child = spawn('node', ['server/dist/main.js', ...args], {
    cwd: ROOT,
    env: {
      ...process.env,
      PORT: String(port),
      HOST: '127.0.0.1',
      WARM_JAR_DATA: data,
      WARM_JAR_SPEED: String(speed),
      WARM_JAR_NOW: now.toISOString(),
      ...env,
    },
  });
  return new Promise((done, fail) => {
    let said = '';
    const hear = (chunk: Buffer) => {
      said += chunk.toString();
      const address = /Warm Jar is at (\S+)/.exec(said)?.[1];
      if (address) done({ child, address });
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.on('exit', (code) => {
      fail(new Error(`The server ended with ${code}: ${said}`));
    });
  });
}

function ended(child: ChildProcess): Promise<number | null> {
  return new Promise((done) => {
    if (child.exitCode !== null) {
      done(child.exitCode);
      return;
    }
    child.on('exit', (code) => {
      done(code);
    });
    child.kill('SIGINT');
  });
}

/** What a demo's data are called, as a studio's own. */
function takenUp(data: string): void {
  for (const end of ['', '-wal', '-shm'])
    if (existsSync(join(data, `demo.sqlite${end}`)))
      renameSync(join(data, `demo.sqlite${end}`), join(data, `studio.sqlite${end}`));
}

/** The demo studio's data as of the usual moment: made once, by the application itself, and copied for each test. */
let made: Promise<string> | null = null;
async function makeDemo(): Promise<string> {
  const data = mkdtempSync(join(tmpdir(), 'warm-jar-e2e-demo-'));
  process.on('exit', () => {
    rmSync(data, { recursive: true, force: true });
  });
  const { child } = await serve(data, ['--demo'], 0, 0, BEGUN);
  const code = await ended(child);
  if (code !== 0) throw new Error(`The server ended with ${code} when told to stop.`);
  takenUp(data);
  return data;
}

/** Starts it with the demo studio, or on an empty database. Stopping it is Ctrl-C, and must end it cleanly. */
export async function startApplication(options: {
  demo: boolean;
  data?: string;
  port?: number;
  speed?: number;
  /** Where the studio's clock starts. */
  now?: Date;
  /** Settings beside the usual ones. */
  env?: Readonly<Record<string, string>>;
}): Promise<Application> {
  const data = options.data ?? mkdtempSync(join(tmpdir(), 'warm-jar-e2e-'));
  const speed = options.speed ?? 1;
  const begun = options.now ?? BEGUN;
  if (options.demo && options.now) throw new Error('The demo studio is kept as of the usual moment alone.');
  if (options.demo) cpSync(await (made ??= makeDemo()), data, { recursive: true });
  let { child, address } = await serve(data, [], options.port ?? 0, speed, begun, options.env);
  const servedMs = Date.now();
  /** The clock goes on while the server is away, as the one on the wall does. */
  let advancedS = 0;
  const now = () => new Date(begun.getTime() + (Date.now() - servedMs) * speed + advancedS * 1000);
  const port = Number(new URL(address).port);
  const halt = async () => {
    const code = await ended(child);
    if (code !== 0) throw new Error(`The server ended with ${code} when told to stop.`);
  };
  return {
    address,
    now,
    advance: async (seconds) => {
      advancedS += seconds;
      const answer = await fetch(`${address}/api/v1/clock`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ advanceS: seconds }),
      });
      if (!answer.ok) throw new Error(await answer.text());
    },
    halt,
    stop: async () => {
      await halt();
      rmSync(data, { recursive: true, force: true });
    },
    restart: async () => {
      await halt();
      return startApplication({ demo: false, data, port, speed, now: now() });
    },
    kill: () =>
      new Promise((done) => {
        child.removeAllListeners('exit');
        child.on('exit', () => {
          done();
        });
        child.kill('SIGKILL');
      }),
    resume: async () => {
      ({ child, address } = await serve(data, [], port, speed, now()));
    },
  };
}
