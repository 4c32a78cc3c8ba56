import { describe, expect, it } from 'vitest';
import type { Batch } from '../formats/batch';
import { saltmarshBatches } from '../simulation/saltmarshBatches';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { wordsIn } from '../units/wording';
import { recordFacts, type CaseFacts } from './caseFacts';
import { seenSymptoms } from './seenSymptoms';
import { QUESTIONS } from './questions';
import { plainWhatIf, pointsByCause, whatIf } from './whatIf';

const NOW = new Date('2026-11-24T14:30:00Z');

/** Every fault of the demo studio's batches, and of the same ones with some of the record gone. */
function casesOf(batch: Batch): CaseFacts[] {
  const product = saltmarshCard(batch.product.slug);
  const poorer: Batch[] = [
    batch,
    { ...batch, room: null, resin: null },
    { ...batch, mix: null, lotA: null, mould: null },
    { ...batch, pressure: null, degas: null, pour: null, cure: null },
    { ...batch, room: { ...batch.room, temperatureC: 210 } },
  ];
  return poorer.flatMap((b) =>
    seenSymptoms(b).map((seen) => ({ ...recordFacts(product, b, wordsIn(), {}, NOW), seen })),
  );
}
const CASES = saltmarshBatches(NOW).flatMap(casesOf);

describe('what the causes would be under an answer that is not known yet', () => {
  it('is what the straightforward sum makes of it, for every question of every fault', () => {
    let asked = 0;
    for (const facts of CASES) {
      const [{ now, after: quick }, plain] = [whatIf(facts), plainWhatIf(facts)];
      expect([...now]).toEqual([...pointsByCause(facts)]);
      for (const question of QUESTIONS)
        for (const { batch } of question.outcomes(facts.product, facts.batch) ?? []) {
          asked += 1;
          expect([question.field, ...quick(batch)]).toEqual([question.field, ...plain(batch)]);
        }
    }
    expect(CASES.length).toBeGreaterThan(30);
    expect(asked).toBeGreaterThan(1_000);
  });
  it('is asked of the same record again without wearing out', () => {
    const facts = CASES[0]!;
    const quick = whatIf(facts).after;
    const warm = { ...facts.batch, room: { ...facts.batch.room, temperatureC: 27 } };
    const first = quick(warm);
    quick({ ...facts.batch, room: null });
    expect(quick(warm)).toEqual(first);
  });
});
