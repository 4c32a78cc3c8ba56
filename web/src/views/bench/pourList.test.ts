import { saltmarshMoulds, soundBatch, type Batch } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { cavitiesToPour, pouredFrom } from './pourList';

const moulds = saltmarshMoulds();
const planned = (wanted: readonly object[]): Batch =>
  soundBatch('house-clear-6', {
    mould: null,
    plan: { format: 'warm-jar.plan/1', request: { want: { volumeML: 100, moulds: wanted } } },
  });

describe('the cavities that are poured', () => {
  it('are those that the plan fills, mould by mould', () => {
    const list = cavitiesToPour(
      planned([
        { code: 'M-12', cavities: 2 },
        { code: 'M-08', cavities: 1 },
      ]),
      moulds,
    );
    expect(list.map((c) => `${c.mould}/${c.cavity}`)).toEqual(['M-12/1', 'M-12/2', 'M-08/1']);
    expect(list[0]!.depthMm).toBe(52);
  });
  it('are all of the batch’s own mould where no plan names any, and none without a mould', () => {
    expect(cavitiesToPour(soundBatch('house-clear-6', { mould: { code: 'M-08' } }), moulds)).toHaveLength(4);
    expect(cavitiesToPour(soundBatch('house-clear-6', { mould: { code: null } }), moulds)).toEqual([]);
    expect(cavitiesToPour(planned([{ code: 'M-77' }]), moulds)).toEqual([]);
  });
  it('are found again by their castings, which may have the batch’s mould', () => {
    const batch = soundBatch('house-clear-6', {
      mould: { code: 'M-08' },
      castings: [{ id: 'k1', mould: { cavity: 3 } }],
    });
    const [first, , third] = cavitiesToPour(batch, moulds);
    expect(pouredFrom(batch, third!)).toMatchObject({ at: 0, casting: { id: 'k1' } });
    expect(pouredFrom(batch, first!)).toBeNull();
  });
});
