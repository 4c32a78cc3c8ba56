import { SALTMARSH_CARDS, calibrate, isCalibrated, saltmarshCard, takeKeptFit } from '@warm-jar/core';
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
  it('is believed where it meets its card, and fitted anew where it does not or is none', () => {
    const base = saltmarshCard('house-clear-6');
    const cardOf = (minutes: number) => ({ ...base, potLife: { ...base.potLife!, minutes }, gel: null });
    const fitOf = (minutes: number) => {
      const fit = calibrate(cardOf(minutes));
      if (!isCalibrated(fit)) throw new Error('The card has no kinetics.');
      return fit;
    };
    /** The fit that a card has once something was kept of it, whatever its key. */
    const after = (minutes: number, kept: unknown) => {
      takeKeptFit(cardOf(minutes), { get: () => kept } as unknown as ReadonlyMap<string, unknown>);
      return fitOf(minutes);
    };
    const right = fitOf(31);
    // The same chemistry, but for a hair that shows where it came from: a card of 31 minutes and a hair has it.
    const kept = { ...right, heatJPerG: right.heatJPerG * (1 + 1e-7) };
    expect(after(31.000001, kept).heatJPerG).toBe(kept.heatJPerG);
    // One that is twice as fast would tell half the pot life.
    expect(after(31.000002, { ...right, kPerMin: 2 * right.kPerMin }).kPerMin).toBeCloseTo(right.kPerMin, 6);
    for (const [i, none] of [null, { status: 'met' }, { ...right, kPerMin: 'fast' }].entries())
      expect(after(31.000003 + i / 1e6, none).kPerMin).toBeCloseTo(right.kPerMin, 6);
  });
});
