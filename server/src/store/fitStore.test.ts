import { SALTMARSH_CARDS, calibrate, isCalibrated, knownFits, saltmarshCard } from '@warm-jar/core';
import { QueryTypes } from 'sequelize';
import { afterEach, describe, expect, it } from 'vitest';
import { openStudio } from '../studio';
import { testStudio, type TestStudio } from '../testStudio';

let studio: TestStudio | null = null;
afterEach(async () => {
  // One that is closed already only leaves its folder.
  await studio?.remove().catch(() => undefined);
  studio = null;
});
const keptIn = async (of: Pick<TestStudio, 'database'>) =>
  of.database.sequelize.query<{ key: string; fit: string }>('SELECT key, fit FROM card_fits', {
    type: QueryTypes.SELECT,
  });

describe('what was fitted to a card', () => {
  it('is kept when the studio closes, and there when it opens again', async () => {
    studio = await testStudio();
    await studio.database.sequelize.query('DELETE FROM card_fits');
    await studio.close();
    const again = await openStudio({ file: studio.file });
    const kept = await keptIn(again);
    const fit = calibrate(saltmarshCard('house-clear-6'));
    expect(kept.map((k) => JSON.parse(k.fit) as unknown)).toContainEqual(fit);
    expect(kept.length).toBeGreaterThanOrEqual(SALTMARSH_CARDS.filter((c) => isCalibrated(calibrate(c))).length);
    await again.close();
  });
  it('is the same for a card that says the same, and another for one that does not', () => {
    const card = saltmarshCard('house-clear-6');
    expect(calibrate({ ...card, name: 'Another name' })).toBe(calibrate(card));
    const slower = calibrate({ ...card, potLife: { ...card.potLife!, minutes: card.potLife!.minutes! * 2 } });
    expect(slower).not.toEqual(calibrate(card));
  });
  it('is not believed where it is no fit', () => {
    const before = knownFits.entries().length;
    knownFits.take([
      ['a', null],
      ['b', { status: 'met' }],
      ['c', { ...calibrate(saltmarshCard('house-clear-6')), kPerMin: 'fast' }],
    ]);
    expect(knownFits.entries()).toHaveLength(before);
    knownFits.take([['d', { status: 'no-pot-life' }]]);
    expect(knownFits.entries()).toHaveLength(before + 1);
  });
});
