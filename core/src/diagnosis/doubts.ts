import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { valueAt, withValue } from '../formats/documentPath';
import { batchRatioErrorPct, hasFixedRatio } from '../mixing/batchAmounts';
import type { Say } from '../units/wording';
import { FADES_OVER_K, FINDS_MISTYPED, fadingBelief, unitOf, type Mistyped } from './likelyFigures';

/** A figure so far from what is likely at a bench that it is asked about before it is believed. */
export interface Doubt {
  readonly field: string;
  readonly says: string;
  /** What was probably meant, in the field's own unit. */
  readonly meant?: number;
  /** Chance that it is right as it stands; 1 where it is only asked about. */
  readonly belief?: number;
}

/** A piece is looked at for years at the most, h; and two clocks may differ by so much, h. */
const MAX_LOOK_H = 5 * 365 * 24;
const CLOCKS_DIFFER_H = 0.25;
/** Rooms and resin that nobody works in or with, °C. */
const [COLDEST_C, WARMEST_C] = [-5, 60];
/** Stirs, rests and pours longer than this are hours typed for minutes, min. */
const LONGEST_STEP_MIN = 240;
/** A ratio further off than this is a figure ten times out, not a slip of the hand, %. */
const MAX_RATIO_OFF_PCT = 300;
const HOUR_MS = 3_600_000;

function lookDoubts(batch: Batch, now: Date | null): Doubt[] {
  const startMs = batch.startedAt ? Date.parse(batch.startedAt) : null;
  const nowH = now && startMs !== null ? (now.getTime() - startMs) / HOUR_MS : null;
  return (batch.checks ?? []).flatMap(({ afterH }, i): Doubt[] => {
    const field = `checks[${i}].afterH`;
    if (afterH > MAX_LOOK_H)
      return [
        {
          field,
          says: `A look ${Math.round(afterH)} h after the parts met is ${Math.round(afterH / 8766)} years later. Is that right?`,
        },
      ];
    return nowH !== null && afterH > nowH + CLOCKS_DIFFER_H
      ? [
          {
            field,
            says: `A look after ${afterH} h lies in the future: the parts met ${Math.max(0, nowH).toFixed(1)} h ago. Is that right?`,
          },
        ]
      : [];
  });
}

function warmthDoubts(batch: Batch, say: Say): Doubt[] {
  const warmths: readonly [string, number | null | undefined][] = [
    ['room.temperatureC', batch.room?.temperatureC],
    ['cure.temperatureC', batch.cure?.temperatureC],
    ['resin.temperatureAC', batch.resin?.temperatureAC],
    ['resin.temperatureBC', batch.resin?.temperatureBC],
    ['resin.atPourC', batch.resin?.atPourC],
    ['mould.temperatureC', batch.mould?.temperatureC],
  ];
  return warmths.flatMap(([field, c]) => {
    if (c == null || (c >= COLDEST_C && c <= WARMEST_C)) return [];
    const belief = fadingBelief(Math.max(COLDEST_C - c, c - WARMEST_C) / FADES_OVER_K);
    return [{ field, belief, says: `${say(c, '°C')} is no temperature at a bench. Is that right?` }];
  });
}

function stepDoubts(batch: Batch, say: Say): Doubt[] {
  const steps: readonly [string, number | null | undefined][] = [
    ['mix.stirMin', batch.mix?.stirMin],
    ['degas.minutes', batch.degas?.minutes],
  ];
  return steps.flatMap(([field, m]) => {
    if (m == null || m <= LONGEST_STEP_MIN) return [];
    const belief = fadingBelief(m / LONGEST_STEP_MIN - 1);
    return [{ field, belief, says: `${say(m, 'min')} is very long. Were seconds meant, or a decimal point?` }];
  });
}

function ratioDoubts(product: Product, batch: Batch, say: Say): Doubt[] {
  const off = hasFixedRatio(product) ? batchRatioErrorPct(product, batch) : null;
  if (off === null || Math.abs(off) <= MAX_RATIO_OFF_PCT) return [];
  return [
    {
      field: 'mix.amountB',
      says: `The amounts put the ratio ${say(off, '%')} off: a figure ten times out? Look at both again.`,
    },
  ];
}

/** A figure that is less likely right than this counts as not recorded where only one way can be told. */
const MOSTLY_BELIEVED = 0.5;

/** What is said of a figure that would be usual with the point in another place, or two digits changed about. */
function mistypedDoubt({ field, value, meant, belief }: Mistyped, batch: Batch, say: Say): Doubt {
  const unit = unitOf(field, batch);
  return {
    field,
    meant,
    belief,
    says: `${say(value, unit)} is hardly likely here. Was ${say(meant, unit)} meant?${belief < MOSTLY_BELIEVED ? ' Until that is known it is not counted.' : ''}`,
  };
}

/** Whether somebody looked at the figure again and says that it stands. */
const stands = (batch: Batch, { field }: Doubt): boolean =>
  (batch.readAgain ?? []).some((r) => r.field === field && r.value === valueAt(batch, field));

/** @param now by the studio's clock; without it a look in the future cannot be told */
type FindsDoubts = (product: Product, batch: Batch, say: Say, now: Date | null) => Doubt[];

/** What finds doubts, each by itself; of two that name the same field the first counts. */
export const FINDS_DOUBTS: readonly FindsDoubts[] = [
  (_product, batch, _say, now) => lookDoubts(batch, now),
  ...FINDS_MISTYPED.map(
    (find): FindsDoubts =>
      (product, batch, say) =>
        find(product, batch).map((m) => mistypedDoubt(m, batch, say)),
  ),
  (_product, batch, say) => warmthDoubts(batch, say),
  (_product, batch, say) => stepDoubts(batch, say),
  ratioDoubts,
];

/** What was found, each field once, without those that somebody has looked at again. */
export function standingDoubts(batch: Batch, all: readonly Doubt[]): Doubt[] {
  const told = new Set<string>();
  return all.filter((d) => {
    const known = told.has(d.field) || stands(batch, d);
    told.add(d.field);
    return !known;
  });
}

/**
 * Figures to be looked at again before they are believed; those that somebody has looked at again are none.
 * @param now by the studio's clock; without it a look in the future cannot be told
 */
export const doubtsOf = (product: Product, batch: Batch, say: Say, now: Date | null = null): Doubt[] =>
  standingDoubts(
    batch,
    FINDS_DOUBTS.flatMap((find) => find(product, batch, say, now)),
  );

/** A record in which the figures that may be mistyped count as not recorded, and how likely it is to be so. */
export interface Unbelieved {
  readonly batch: Batch;
  readonly chance: number;
}

/** The record without what may be mistyped; null where all of it is believed. */
export function unbelieved(batch: Batch, doubts: readonly Doubt[]): Unbelieved | null {
  const doubtful = doubts.filter((d) => d.belief !== undefined && d.belief < 1);
  if (doubtful.length === 0) return null;
  return {
    batch: doubtful.reduce<Batch>((b, { field }) => withValue(b, field, null) as Batch, batch),
    chance: 1 - Math.min(...doubtful.map((d) => d.belief!)),
  };
}
