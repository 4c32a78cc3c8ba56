import { describe, expect, it } from 'vitest';
import { sharedRead } from './sharedRead';

/** A reading that is answered when it is told to be. */
function reading() {
  const answers: (() => void)[] = [];
  let isThere = false;
  const shared = sharedRead(
    () =>
      new Promise<void>((go) => {
        answers.push(go);
      }),
    () => isThere,
  );
  return {
    ...shared,
    answers,
    say: (there: boolean) => {
      isThere = there;
    },
  };
}

describe('what many parts of a page stand on', () => {
  it('is asked for once by all that need it, and by none where it is there', async () => {
    const { ready, answers, say } = reading();
    const all = Promise.all([ready(), ready(), ready()]);
    await Promise.resolve();
    expect(answers).toHaveLength(1);
    say(true);
    answers[0]!();
    await all;
    await ready();
    expect(answers).toHaveLength(1);
  });
  it('is asked for again where the last answer was none', async () => {
    const { ready, answers } = reading();
    const first = ready();
    answers[0]!();
    await first;
    const second = ready();
    await Promise.resolve();
    expect(answers).toHaveLength(2);
    answers[1]!();
    await second;
  });
  it('is read anew when told to, though a reading is under way; who comes later waits for the later one', async () => {
    const { load, ready, answers } = reading();
    const before = load();
    const after = load();
    let isReady = false;
    const waiting = ready().then(() => {
      isReady = true;
    });
    answers[0]!();
    await before;
    await Promise.resolve();
    expect([answers.length, isReady]).toEqual([2, false]);
    answers[1]!();
    await Promise.all([after, waiting]);
    expect(isReady).toBe(true);
  });
});
