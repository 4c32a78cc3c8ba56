import { describe, expect, it } from 'vitest';
import { oneAtATime } from './queue';

const pause = (ms: number) =>
  new Promise((resolve) => {
    setTimeout(resolve, ms);
  });

describe('oneAtATime', () => {
  it('keeps the order, never runs two together, and goes on after a failure', async () => {
    const run = oneAtATime();
    const log: string[] = [];
    const work = (name: string, ms: number) => () => {
      log.push(`${name} begins`);
      return pause(ms).then(() => {
        log.push(`${name} ends`);
        return name;
      });
    };
    const slow = run(work('slow', 20));
    const failed = run(() => Promise.reject(new Error('no')));
    const quick = run(work('quick', 0));
    await expect(failed).rejects.toThrow('no');
    expect(await Promise.all([slow, quick])).toEqual(['slow', 'quick']);
    expect(log).toEqual(['slow begins', 'slow ends', 'quick begins', 'quick ends']);
  });
});
