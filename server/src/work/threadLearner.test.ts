import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { inlineLearner, type LearningJob } from './learningRunner';
import { threadLearner } from './threadLearner';

const folder = mkdtempSync(join(tmpdir(), 'warm-jar-thread-'));
afterAll(() => {
  rmSync(folder, { recursive: true, force: true });
});
/** A thread's script of our own in place of the built one. */
const script = (name: string, body: string) => {
  const file = join(folder, `${name}.mjs`);
  writeFileSync(file, `import { parentPort, workerData } from 'node:worker_threads';\n${body}`);
  return file;
};
const job: LearningJob = { what: 'chart', facts: '', kind: null };
const never = new AbortController().signal;

describe('work on a thread of its own', () => {
  it('tells its progress and hands back its result, with what it was given', async () => {
    const told: number[] = [];
    const learner = threadLearner(
      script(
        'good',
        'parentPort.postMessage({ share: 0.5 }); parentPort.postMessage({ result: { points: [workerData.what], stretches: [] } });',
      ),
    );
    expect(await learner.run(job, (s) => told.push(s), never)).toEqual({ points: ['chart'], stretches: [] });
    expect(told).toEqual([0.5]);
  });
  it('ends at once when nobody waits any more, though it would go on for ever', async () => {
    const learner = threadLearner(
      script('endless', 'parentPort.postMessage({ share: 0.1 }); for (;;) { /* on and on */ }'),
    );
    const leave = new AbortController();
    const running = learner.run(
      job,
      () => {
        leave.abort();
      },
      leave.signal,
    );
    await expect(running).rejects.toThrow('Cancelled');
    const already = AbortSignal.abort();
    await expect(learner.run(job, () => undefined, already)).rejects.toThrow('Cancelled');
  });
  it('passes on what went wrong in it', async () => {
    await expect(
      threadLearner(script('bad', 'throw new Error("no such level");')).run(job, () => undefined, never),
    ).rejects.toThrow('no such level');
  });
  it('is done here where the built thread is missing', async () => {
    expect(await threadLearner(join(folder, 'missing.js')).run(job, () => undefined, never)).toEqual({
      points: [],
      stretches: [],
    });
    await expect(inlineLearner().run(job, () => undefined, AbortSignal.abort())).rejects.toThrow();
  });
});
