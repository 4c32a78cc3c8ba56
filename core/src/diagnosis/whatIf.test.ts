import { describe, expect, it } from 'vitest';
import type { Batch } from '../formats/batch';
import { saltmarshBatches } from '../simulation/saltmarshBatches';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { wordsIn } from '../units/wording';
import { recordFacts, type CaseFacts } from './caseFacts';
import { doubtsOf, unbelieved } from './doubts';
import { candidates, evidenceFor } from './ledger';
import { recordBeside } from './recordBeside';
import { seenSymptoms } from './seenSymptoms';
import { QUESTIONS } from './questions';
import { plainWhatIf, pointsByCause, whatIf } from './whatIf';

/** Every machine that tests run on has it, and the core asks for nothing of a machine. */
declare const structuredClone: <T>(value: T) => T;

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
  it('is read once with what records beside it would say, in the very same words and figures', () => {
    let read = 0;
    for (const { product, batch, say, history, seen } of CASES) {
      const plain = { ...recordFacts(product, batch, say, history, NOW), seen };
      const found = recordBeside(product, batch, say, history, NOW);
      expect(found === null).toBe(unbelieved(batch, doubtsOf(product, batch, say, NOW)) !== null);
      if (!found) continue;
      read += 1;
      // What is only a view of the record, and notes who looks, could not be copied.
      const { readings, working, doubts } = found.facts;
      expect(structuredClone({ readings, working, doubts })).toEqual({ readings, working, doubts });
      expect({ ...found.facts, seen }).toEqual(plain);
      const weighed = whatIf({ ...found.facts, seen }, found.beside);
      expect([...weighed.now]).toEqual([...pointsByCause(plain)]);
      const evidence = candidates(plain).map((c) => [c.id, evidenceFor(c, plain)]);
      expect(structuredClone([...weighed.evidence!])).toEqual(evidence);
      const asked = QUESTIONS.flatMap((q) => q.outcomes(product, batch) ?? []);
      const straight = plainWhatIf(plain);
      for (const o of asked.slice(0, 12)) expect([...weighed.after(o.batch)]).toEqual([...straight(o.batch)]);
    }
    expect(read).toBeGreaterThan(30);
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
