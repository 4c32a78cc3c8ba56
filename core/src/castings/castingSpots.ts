import type { Batch } from '../formats/batch';
import type { SpotMark } from '../learning/sameSpot';
import { castingIds, castingOf, castingsOf, looksAt } from './castingList';

/** A mark with the cavity it lies on, counted from 0 as a mould's list has them. */
export interface CavityMark extends SpotMark {
  readonly cavity: number;
}

/** What the castings of one batch out of one mould tell of its places. */
export interface MouldLook {
  readonly marks: readonly CavityMark[];
  /** Cavities whose casting was looked at, counted from 0; null where the record does not tell cavities apart. */
  readonly looked: readonly (number | null)[];
}

/** The cavity of a casting as a mould's list counts it, from 0; people count from 1. */
const placeOf = (cavity: number | null | undefined): number | null => (cavity == null ? null : Math.max(0, cavity - 1));

/**
 * The marks that a batch's looks put on a mould's outline, each on the cavity its casting came from; a look at all says
 * its cavity itself.
 */
export function mouldLook(batch: Batch, mould: string): MouldLook {
  const own = castingIds(batch).filter((id) => {
    const code = castingOf(batch, id)?.mould?.code ?? batch.mould?.code;
    return code === mould;
  });
  const code = batch.code ?? '';
  const marks = (batch.checks ?? []).flatMap((check): CavityMark[] => {
    const of = check.casting ?? null;
    if (of !== null && castingOf(batch, of) && !own.includes(of)) return [];
    const cavity = placeOf(castingOf(batch, of)?.mould?.cavity);
    return (check.spots ?? []).map((s) => ({
      x: s.x,
      y: s.y,
      batch: code,
      kind: s.kind ?? null,
      cavity: cavity ?? s.cavity ?? 0,
    }));
  });
  const looked = own.filter((id) => looksAt(batch, id).length > 0);
  return {
    marks,
    looked:
      castingsOf(batch).length === 0
        ? looked.map(() => null)
        : looked.map((id) => placeOf(castingOf(batch, id)?.mould?.cavity)),
  };
}
