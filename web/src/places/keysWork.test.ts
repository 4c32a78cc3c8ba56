// @vitest-environment happy-dom
import { diagnose, saltmarshCard } from '@warm-jar/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { isOneSign } from '../keys/keyMode';
import { keyWorks } from '../keys/keys';
import type { Answers } from '../testing/mounted';
import { closeScreens, noWorkers, screen } from '../testing/screen';
import { pretendStudio, storedBatch } from '../testing/pretendedStudio';
import { PLACES } from './places';

const FULL = storedBatch('B-0007', {
  checks: [{ afterH: 20, symptoms: [{ kind: 'tacky', pattern: 'tacky-all-over', severity: 3 }], grade: null }],
});
const card = saltmarshCard('house-clear-6');
const answers: Answers = ({ path }) => {
  if (path.includes('/diagnosis')) return { body: diagnose(card, FULL) };
  if (path.endsWith('/outcomes')) return { body: { items: [], proposed: [] } };
  if (/\/(history|pieces)$/.test(path)) return { body: { items: [] } };
  return undefined;
};
beforeEach(noWorkers);
afterEach(closeScreens);

/** Keys that only something on the screen has, and that is not there with every record. */
const SOMETIMES: Readonly<Record<string, readonly string[]>> = {
  // Only once the next batch proposes a cause.
  batch: ['y'],
};

describe('the keys that the list promises', () => {
  it.each(['batch', 'diagnosis', 'check'])('on %s are listened for there', async (name) => {
    pretendStudio([FULL], answers);
    await screen(name, { code: 'B-0007' });
    const keys = (PLACES.find((p) => p.name === name)!.keys ?? []).map(({ key }) => key).filter(isOneSign);
    expect(keys.length).toBeGreaterThan(0);
    for (const key of keys) if (!SOMETIMES[name]?.includes(key)) expect([key, keyWorks(key)]).toEqual([key, true]);
  });
  it('are none of theirs once the screen is left', async () => {
    pretendStudio([FULL], answers);
    await screen('batch', { code: 'B-0007' });
    expect(keyWorks('x')).toBe(true);
    closeScreens();
    expect(keyWorks('x')).toBe(false);
  });
});
