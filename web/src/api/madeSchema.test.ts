import { afterEach, describe, expect, it, vi } from 'vitest';
import { z } from 'zod';
import { madeSchema } from './madeSchema';

afterEach(() => {
  vi.unstubAllGlobals();
});

/** A shape that tells when each of its fields is made. */
function told(names: readonly string[], log: string[]) {
  const shape: Record<string, z.ZodType> = {};
  for (const name of names)
    Object.defineProperty(shape, name, {
      enumerable: true,
      get: () => {
        log.push(name);
        return z.string();
      },
    });
  return shape;
}

describe('a schema made before it is asked to check', () => {
  it('is made with all that it is made of, once', async () => {
    const log: string[] = [];
    const inner = z.object(told(['a', 'b'], log));
    const whole = z.object({
      list: z.array(inner).nullish(),
      by: z.record(z.string(), z.object(told(['c'], log))),
      either: z.union([z.object(told(['d'], log)), z.string()]),
      both: z.intersection(z.object(told(['e'], log)), z.object(told(['f'], log))),
      pair: z.tuple([z.object(told(['g'], log)), z.number()]),
      piped: z.object(told(['h'], log)).transform((v) => v),
    });
    await madeSchema(whole);
    expect([...new Set(log)].sort()).toEqual(['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h']);
    const count = log.length;
    await madeSchema(whole);
    expect(log).toHaveLength(count);
  });
  it('ends where a schema is a part of itself', async () => {
    interface Branch {
      readonly next?: Branch | undefined;
    }
    const branch: z.ZodType<Branch> = z.object({
      get next() {
        return branch.optional();
      },
    });
    await expect(madeSchema(branch)).resolves.toBeUndefined();
  });
  it('lets others go first where making it takes long', async () => {
    let now = 0;
    vi.stubGlobal('performance', { now: () => (now += 2) });
    const pauses = vi.fn(() => Promise.resolve());
    vi.stubGlobal('scheduler', { yield: pauses });
    await madeSchema(z.object(Object.fromEntries(Array.from({ length: 20 }, (_, i) => [`f${i}`, z.string()]))));
    expect(pauses.mock.calls.length).toBeGreaterThan(5);
    expect(pauses.mock.calls.length).toBeLessThan(21);
  });
});
