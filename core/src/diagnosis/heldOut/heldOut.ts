import type { CauseId } from '../../formats/vocabulary';
import { saltmarshCard } from '../../simulation/saltmarshCards';
import { soundBatch } from '../../simulation/soundBatch';
import { diagnose } from '../diagnose';
import type { HeldOut } from './heldOutRecord';
import { PAIRS } from './pairs';
import { OF_HEAT_AND_MOULD } from './ofHeatAndMould';
import { OF_MIX_AND_AIR } from './ofMixAndAir';

/** What the diagnosis made of one record set aside. */
export interface HeldOutResult {
  readonly record: HeldOut;
  readonly leading: CauseId;
  readonly share: number;
  /** Whether the leading cause is (one of) what it was. */
  readonly right: boolean;
  /** Whether all of what it was is among the first two. */
  readonly inFirstTwo: boolean;
  /** The pair that is told as both, where one is. */
  readonly both: readonly CauseId[] | null;
}

function judged(record: HeldOut): HeldOutResult {
  const batch = soundBatch(record.slug, record.record);
  const symptoms = [{ kind: record.kind, pattern: record.pattern }];
  batch.checks = [...(batch.checks ?? []), { afterH: record.afterH, symptoms }];
  const { causes, together } = diagnose(saltmarshCard(record.slug), batch).symptoms.at(-1)!;
  const firstTwo = causes.slice(0, 2).map((c) => c.id);
  return {
    record,
    leading: causes[0]!.id,
    share: causes[0]!.share,
    right: record.was.includes(causes[0]!.id),
    inFirstTwo: record.was.every((id) => firstTwo.includes(id)),
    both: together?.ids ?? null,
  };
}

/** Every record set aside, diagnosed: those of one cause, then those of two. */
export function heldOutResults(): {
  readonly singles: readonly HeldOutResult[];
  readonly pairs: readonly HeldOutResult[];
} {
  return { singles: [...OF_MIX_AND_AIR, ...OF_HEAT_AND_MOULD].map(judged), pairs: PAIRS.map(judged) };
}

/** Whether exactly the two that happened are told as both. */
export const namedBoth = ({ both, record }: HeldOutResult): boolean =>
  both !== null && record.was.every((id) => both.includes(id));
