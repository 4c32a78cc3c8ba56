import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { studioRates, type PartRange } from '@warm-jar/core';
import { afterAll, describe, expect, it } from 'vitest';
import { inlineLearner, type LogJob } from './learningRunner';
import type { LogChange, LogFeed, LogState, PartInBytes } from './logFeed';
import { threadLearner } from './threadLearner';

const folder = mkdtempSync(join(tmpdir(), 'warm-jar-thread-'));
afterAll(() => {
  rmSync(folder, { recursive: true, force: true });
});
/** A thread's script of our own in place of the built one. */
const script = (name: string, body: string, head = '') => {
  const file = join(folder, `${name}.mjs`);
  writeFileSync(
    file,
    `import { parentPort, workerData } from 'node:worker_threads';
const told = [];
let toKeep = () => [];
${head}
parentPort.on('message', (m) => {
  if ('change' in m) { told.push(m.change.rows); return; }
  if ('kept' in m) { parentPort.postMessage({ result: toKeep(m.kept) }); return; }
  ${body}
});`,
  );
  return file;
};
const answer = (points: string) => `parentPort.postMessage({ result: { points: ${points}, stretches: [] } });`;
const job: LogJob = { what: 'chart', kind: null };
const never = new AbortController().signal;
const quiet = () => undefined;

/** What a log had come to. */
const state = (at: number): LogState => ({ at, held: [] });

/** A log that tells what it is asked for, and keeps what that was. */
function feed(pages: (since: number | null) => Iterable<LogChange> = () => []) {
  const asked: (number | null)[] = [];
  const facts: boolean[] = [];
  const kept: { parts: readonly PartInBytes[]; at: number }[] = [];
  const log: LogFeed = {
    id: 'log',
    async *since(since, asksFacts) {
      asked.push(since?.at ?? null);
      facts.push(asksFacts);
      await Promise.resolve();
      yield* pages(since?.at ?? null);
    },
    kept: () => Promise.resolve(kept.flatMap(({ parts }) => parts.map((p) => p.range))),
    keep: (parts, at) => {
      kept.push({ parts, at });
      return Promise.resolve();
    },
  };
  return { log, asked, facts, kept };
}
const whole = (since: number | null): LogChange[] =>
  since === null
    ? [
        { rows: 'first', upTo: null, anew: true },
        { rows: 'second', upTo: state(7) },
      ]
    : [{ rows: `after ${since}`, upTo: state(since + 1) }];

describe('work on a thread that keeps the log', () => {
  it('tells its progress and hands back its result, with what it was asked', async () => {
    const told: number[] = [];
    const learner = threadLearner(script('good', `parentPort.postMessage({ share: 0.5 }); ${answer('[m.job.what]')}`));
    expect(await learner.run(job, feed().log, (s) => told.push(s), never)).toEqual({
      points: ['chart'],
      stretches: [],
    });
    expect(told).toEqual([0.5]);
  });
  it('is told the whole log once, and then only what changed', async () => {
    const learner = threadLearner(script('keeps', answer('[...told]')));
    const { log, asked } = feed(whole);
    const points = async () => ((await learner.run(job, log, quiet, never)) as unknown as { points: string[] }).points;
    expect(await points()).toEqual(['first', 'second']);
    expect(await points()).toEqual(['first', 'second', 'after 7']);
    expect(await points()).toEqual(['first', 'second', 'after 7', 'after 8']);
    expect(asked).toEqual([null, 7, 8]);
  });
  it('is told all of it again where it was told half, or where the thread was lost', async () => {
    const learner = threadLearner(
      script('fragile', `if (told.length > 4) throw new Error('too much'); ${answer('[...told]')}`),
    );
    let broken = true;
    const { log, asked } = feed(function* (since) {
      if (!broken) {
        yield* whole(since);
        return;
      }
      broken = false;
      yield { rows: 'first', upTo: null, anew: true };
      throw new Error('the disk is gone');
    });
    await expect(learner.run(job, log, quiet, never)).rejects.toThrow('the disk is gone');
    await learner.run(job, log, quiet, never);
    await learner.run(job, log, quiet, never);
    await expect(learner.run(job, log, quiet, never)).rejects.toThrow('too much');
    await learner.run(job, log, quiet, never);
    expect(asked).toEqual([null, null, 7, 8, null]);
  });
  it('leaves whoever hangs up at once, and goes on with the next when its time is up', async () => {
    const learner = threadLearner(
      script(
        'endless',
        `if (m.job.kind === null) { parentPort.postMessage({ share: 0.1 }); for (;;) { /* on and on */ } } ${answer('[m.job.kind]')}`,
      ),
      50,
    );
    const leave = new AbortController();
    const running = learner.run(job, feed().log, leave.abort.bind(leave), leave.signal);
    await expect(running).rejects.toThrow('Cancelled');
    await expect(learner.run(job, feed().log, quiet, AbortSignal.abort())).rejects.toThrow('Cancelled');
    expect(await learner.run({ what: 'chart', kind: 'haze' }, feed().log, quiet, never)).toMatchObject({
      points: ['haze'],
    });
  });
  it('leaves out what nobody waits for by its turn', async () => {
    const learner = threadLearner(script('turns', `setTimeout(() => { ${answer('[told.push(m.job.kind)]')} }, 60);`));
    const leave = new AbortController();
    const first = learner.run(job, feed().log, quiet, never);
    const second = learner.run(job, feed().log, quiet, leave.signal);
    const third = learner.run(job, feed().log, quiet, never);
    leave.abort();
    await expect(second).rejects.toThrow('Cancelled');
    expect(await first).toMatchObject({ points: [1] });
    expect(await third).toMatchObject({ points: [2] });
  });
  it('passes on what went wrong in it, and a thread that ends without a word', async () => {
    const bad = threadLearner(script('bad', 'throw new Error("no such level");'));
    await expect(bad.run(job, feed().log, quiet, never)).rejects.toThrow('no such level');
    const gone = threadLearner(script('gone', 'process.exit(3);'));
    await expect(gone.run(job, feed().log, quiet, never)).rejects.toThrow('ended with 3');
    const wordless = threadLearner(script('wordless', '', 'process.exit(2);'));
    await expect(wordless.rates({ what: 'rates', cases: '' })).rejects.toThrow('ended with 2');
  });
  it('keeps the parts that it is told of after each answer, and asks whether batches are asked for', async () => {
    const range: PartRange = ['2026-01-01', 'B-1', '2026-02-01', 'B-9'];
    const head = `toKeep = (kept) => kept.length > 0 ? [] : [{ range: ${JSON.stringify(range)}, batches: 9, bytes: new Uint8Array([1, 2]) }];`;
    const learner = threadLearner(script('parts', answer('[...told]'), head));
    const { log, facts, kept } = feed(whole);
    await learner.run({ what: 'patterns', names: {}, lots: [] }, log, quiet, never);
    await learner.run({ what: 'patterns', names: {}, lots: [], from: '2026-01-01' }, log, quiet, never);
    await learner.run(job, log, quiet, never);
    expect(facts).toEqual([false, true, true]);
    expect(kept).toEqual([{ parts: [{ range, batches: 9, bytes: new Uint8Array([1, 2]) }], at: 7 }]);
  });
  it('answers where nothing can be kept', async () => {
    const learner = threadLearner(script('full', answer('[...told]')));
    const { log } = feed(whole);
    const full = { ...log, kept: () => Promise.reject(new Error('the disk is full')) };
    await learner.run(job, full, quiet, never);
    expect(await learner.run(job, full, quiet, never)).toMatchObject({ points: ['first', 'second', 'after 7'] });
  });
  it('is done here where the built thread is missing', async () => {
    const here = threadLearner(join(folder, 'missing.js'));
    expect(await here.run(job, feed().log, quiet, never)).toEqual({ points: [], stretches: [] });
    expect(await here.rates({ what: 'rates', cases: '' })).toEqual(studioRates([]));
    await expect(inlineLearner().run(job, feed().log, quiet, AbortSignal.abort())).rejects.toThrow();
  });
});

describe('a log kept here', () => {
  const row = (code: string, at: string | null, facts: object | null) => JSON.stringify([code, at, facts]);
  const looked = { looked: true, levels: { product: 'house-clear-6' } };
  it('is asked of by days, and knows who came, changed and went', async () => {
    const learner = inlineLearner();
    const pages: Record<string, LogChange[]> = {
      null: [
        { rows: `${row('B-1', null, looked)},${row('B-2', '2026-03-01', looked)}`, upTo: null, anew: true },
        { rows: row('B-3', '2026-05-01', { ...looked, seen: ['haze'] }), upTo: state(3) },
      ],
      3: [{ rows: `${row('B-2', null, null)},${row('B-4', '2026-06-01', looked)}`, upTo: state(5) }],
    };
    const { log, asked } = feed((since) => pages[String(since)] ?? []);
    const patterns = async (days: object = {}) =>
      (await learner.run({ what: 'patterns', names: {}, lots: [], ...days }, log, quiet, never)) as { batches: number };
    expect((await patterns()).batches).toBe(3);
    expect(await patterns()).toMatchObject({ batches: 3, rates: [{ kind: 'haze', k: 1, n: 3 }] });
    expect((await patterns({ from: '2026-05-01', to: '2026-06-01' })).batches).toBe(1);
    expect((await patterns({ to: '2026-04-01' })).batches).toBe(0);
    expect(asked).toEqual([null, 3, 5, 5]);
  });
});
