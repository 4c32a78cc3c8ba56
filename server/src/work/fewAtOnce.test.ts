import { describe, expect, it } from 'vitest';
import { fewAtOnce } from './fewAtOnce';

/** Work that ends when it is told to. */
function held() {
  let end!: () => void;
  const done = new Promise<void>((resolve) => {
    end = resolve;
  });
  return { work: () => done, end };
}
const settle = () => new Promise((done) => setTimeout(done, 5));

describe('a few at once', () => {
  it('runs so many, the rest in the order they came, and goes on after one that fails', async () => {
    const few = fewAtOnce(2, 10);
    const [a, b] = [held(), held()];
    const began: string[] = [];
    const first = few.run(a.work);
    const second = few.run(() => b.work().then(() => Promise.reject(new Error('broke'))));
    const third = few.run(() => Promise.resolve(began.push('third')));
    const fourth = few.run(() => Promise.resolve(began.push('fourth')));
    await settle();
    expect(began).toEqual([]);
    b.end();
    await expect(second).rejects.toThrow('broke');
    await Promise.all([third, fourth]);
    expect(began).toEqual(['third', 'fourth']);
    a.end();
    await first;
  });
  it('refuses what would have to wait behind too many', async () => {
    const few = fewAtOnce(1, 1);
    const a = held();
    const running = few.run(a.work);
    const waiting = few.run(() => Promise.resolve('done'));
    await expect(few.run(() => Promise.resolve())).rejects.toMatchObject({ status: 429, code: 'too-busy' });
    a.end();
    await running;
    expect(await waiting).toBe('done');
  });
  it('lets go of what nobody waits for, without ever beginning it', async () => {
    const few = fewAtOnce(1, 5);
    const a = held();
    const running = few.run(a.work);
    const leave = new AbortController();
    let begun = false;
    const left = few.run(() => {
      begun = true;
      return Promise.resolve();
    }, leave.signal);
    leave.abort();
    await expect(left).rejects.toThrow('Nobody waits');
    await expect(few.run(() => Promise.resolve(), AbortSignal.abort())).rejects.toThrow();
    a.end();
    await running;
    await settle();
    expect(begun).toBe(false);
    expect(await few.run(() => Promise.resolve('on'))).toBe('on');
  });
});
