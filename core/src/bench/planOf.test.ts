import { describe, expect, it } from 'vitest';
import type { Batch } from '../formats/batch';
import { planRequestSchema } from '../formats/plan';
import { quickPlan } from '../planning/plan';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { planOf } from './planOf';

const { plan } = quickPlan(
  planRequestSchema.parse({
    product: saltmarshCard('house-clear-6'),
    want: { volumeML: 200 },
    conditions: { roomC: 22 },
  }),
);
const begun = (of: unknown): Batch => ({ ...soundBatch('house-clear-6'), plan: of as Batch['plan'] });

describe('the plan of a batch', () => {
  it('is read as it is written, once however often it is asked for', () => {
    const batch = begun(JSON.parse(JSON.stringify(plan)));
    expect(planOf(batch)).toEqual(JSON.parse(JSON.stringify(plan)));
    expect(planOf({ ...batch, note: 'another look at it' })).toBe(planOf(batch));
  });
  it('is another where the batch is given another', () => {
    const heavier = { ...plan, totalMassG: 999 };
    expect(planOf(begun(heavier))?.totalMassG).toBe(999);
  });
  it.each([[null], [undefined], [{ format: 'warm-jar.plan/1', totalMassG: 'much' }], [{ format: 'other' }]])(
    'is none where %o cannot be read as one',
    (of) => {
      expect(planOf(begun(of))).toBeNull();
    },
  );
});
