import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { callWorker, workerCaller } from './callWorker';

type Message = Record<string, unknown>;

/** A worker that answers as it is told to, when it is told to. */
class PretendedWorker {
  static made: PretendedWorker[] = [];
  onmessage: ((event: { data: unknown }) => void) | null = null;
  onerror: (() => void) | null = null;
  readonly asked: { id: number; question: unknown }[] = [];
  ended = false;
  constructor() {
    PretendedWorker.made.push(this);
  }
  postMessage(message: { id: number; question: unknown }): void {
    this.asked.push(message);
  }
  terminate(): void {
    this.ended = true;
  }
  say(message: Message): void {
    this.onmessage?.({ data: { id: this.asked.at(-1)!.id, ...message } });
  }
}

const call = { begin: () => new PretendedWorker() as unknown as Worker, answer: z.object({ sum: z.number() }) };
const caller = () => {
  PretendedWorker.made = [];
  return workerCaller<number[], { sum: number }>(call);
};
const worker = () => PretendedWorker.made.at(-1)!;

describe('a call to a worker', () => {
  it('is answered, its progress told, its answer checked', async () => {
    const told: number[] = [];
    const c = caller();
    const asked = c.ask([1, 2], { onProgress: (share) => told.push(share) });
    worker().say({ progress: 0.5 });
    worker().say({ result: { sum: 3 } });
    expect(await asked).toEqual({ result: { sum: 3 } });
    expect(told).toEqual([0.5]);
    expect(worker().asked[0]!.question).toEqual([1, 2]);
  });
  it('is refused in the words of the core', async () => {
    const asked = caller().ask([]);
    worker().say({ failure: 'There is nothing to add.' });
    expect(await asked).toEqual({ failure: 'There is nothing to add.' });
  });
  it.each([
    ['an answer of another shape', { result: { sum: 'three' } }],
    ['a message that is none', { nothing: true }],
  ])('fails on %s', async (_what, message) => {
    const asked = caller().ask([1]);
    worker().say(message);
    expect(await asked).toMatchObject({ failure: expect.stringContaining('failed') as string });
  });
  it('fails where the worker does, and begins another for the next', async () => {
    const c = caller();
    const asked = c.ask([1]);
    worker().onerror?.();
    expect(await asked).toHaveProperty('failure');
    const again = c.ask([2]);
    expect(PretendedWorker.made).toHaveLength(2);
    worker().say({ result: { sum: 2 } });
    expect(await again).toEqual({ result: { sum: 2 } });
  });
  it('is overtaken by a newer one, which ends the worker that still ran', async () => {
    const c = caller();
    const first = c.ask([1]);
    const second = c.ask([2]);
    expect(await first).toBeNull();
    expect(PretendedWorker.made[0]!.ended).toBe(true);
    worker().say({ id: 1, result: { sum: 1 } });
    worker().say({ result: { sum: 2 } });
    expect(await second).toEqual({ result: { sum: 2 } });
  });
  it('is stopped, and keeps a worker that has nothing to do', async () => {
    const c = caller();
    const asked = c.ask([1]);
    c.stop();
    expect(await asked).toBeNull();
    const again = c.ask([2]);
    worker().say({ result: { sum: 2 } });
    await again;
    c.stop();
    expect(worker().ended).toBe(false);
    c.close();
    expect(worker().ended).toBe(true);
  });
  it('made once ends with its worker', async () => {
    PretendedWorker.made = [];
    const asked = callWorker<number[], { sum: number }>(call, [4]);
    worker().say({ result: { sum: 4 } });
    expect(await asked).toEqual({ result: { sum: 4 } });
    expect(worker().ended).toBe(true);
  });
});
