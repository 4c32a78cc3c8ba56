import { describe, expect, it } from 'vitest';
import { batchSchema } from '../formats/batch';
import { gearSchema } from '../formats/gear';
import { inclusionSchema } from '../formats/inclusion';
import { lotSchema } from '../formats/lot';
import { pieceSchema } from '../formats/piece';
import { saltmarshBatches } from './saltmarshBatches';
import { saltmarshGear, saltmarshInclusions, saltmarshLots } from './saltmarshShelf';
import { saltmarshPieces } from './saltmarshPieces';
import { saltmarshYear } from './saltmarshYear';

const DAY_MS = 86_400_000;
const FIRST = Date.UTC(2027, 0, 1, 14, 30);
/** Every day of two years, one of them with a 29 February, at an hour that moves through day and night. */
const MOMENTS = Array.from({ length: 731 }, (_, day) => new Date(FIRST + day * DAY_MS + ((day * 37) % 1440) * 60_000));
/** The long year of batches is the same work each time: two dozen days through the seasons, and the ends of months. */
const SOME = [
  ...MOMENTS.filter((_, i) => i % 31 === 0),
  new Date('2028-02-29T23:59:30Z'),
  new Date('2028-12-31T23:59:59Z'),
];

/**
 * The recent batches cost tens of milliseconds a day: every eleventh day,
 * so that weekdays and days of the month differ.
 */
const OFTEN = MOMENTS.filter((_, i) => i % 11 === 0);

describe('the demo studio can be opened on any day', () => {
  it('with recent batches that the format takes, under one code each, none from tomorrow', () => {
    const counts = new Set<number>();
    for (const now of [...OFTEN, ...SOME]) {
      const batches = saltmarshBatches(now);
      counts.add(batches.length);
      const says = now.toISOString();
      expect(new Set(batches.map(({ code }) => code)).size, says).toBe(batches.length);
      for (const batch of batches) {
        if (!batchSchema.safeParse(batch).success) throw new Error(`${says}: ${batch.code} does not fit its format.`);
        if (batch.startedAt != null)
          expect(Date.parse(batch.startedAt), `${says} ${batch.code}`).toBeLessThanOrEqual(now.getTime());
      }
    }
    // The same number each day: no screen grows with the date.
    expect(counts.size).toBe(1);
  });
  it('with lots that are bought before they are opened, and a shelf that its formats take', () => {
    for (const now of MOMENTS) {
      const says = now.toISOString();
      for (const lot of saltmarshLots(now)) {
        expect(lotSchema.safeParse(lot).success, `${says} ${lot.code}`).toBe(true);
        if (lot.openedOn) expect(lot.openedOn <= says.slice(0, 10), `${says} ${lot.code}`).toBe(true);
      }
      expect(
        saltmarshGear(now).every((g) => gearSchema.safeParse(g).success),
        says,
      ).toBe(true);
      expect(
        saltmarshInclusions(now).every((i) => inclusionSchema.safeParse(i).success),
        says,
      ).toBe(true);
      expect(
        saltmarshPieces(now).every((p) => pieceSchema.safeParse(p).success),
        says,
      ).toBe(true);
    }
  });
  it('with a year of batches behind it, no mould of which is named by more than it is on another day', () => {
    const busiest = SOME.map((now) => {
      const made = [...saltmarshYear(now).map((y) => y.batch), ...saltmarshBatches(now)];
      expect(new Set(made.map(({ code }) => code)).size, now.toISOString()).toBe(made.length);
      const pulls = new Map<string, number>();
      for (const { mould } of made) if (mould?.code) pulls.set(mould.code, (pulls.get(mould.code) ?? 0) + 1);
      return Math.max(...pulls.values());
    });
    expect(Math.min(...busiest)).toBeGreaterThan(10);
    expect(Math.max(...busiest)).toBeLessThan(2 * Math.min(...busiest));
  });
});
