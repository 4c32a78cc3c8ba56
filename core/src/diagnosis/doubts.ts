import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { batchRatioErrorPct, hasFixedRatio } from '../mixing/batchAmounts';
import type { Say } from '../units/wording';

/** A figure so far from what is likely at a bench that it is asked about before it is believed. */
export interface Doubt {
  readonly field: string;
  readonly says: string;
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
  return warmths.flatMap(([field, c]) =>
    c != null && (c < COLDEST_C || c > WARMEST_C)
      ? [{ field, says: `${say(c, '°C')} is no temperature at a bench. Is that right?` }]
      : [],
  );
}

function stepDoubts(batch: Batch, say: Say): Doubt[] {
  const steps: readonly [string, number | null | undefined][] = [
    ['mix.stirMin', batch.mix?.stirMin],
    ['degas.minutes', batch.degas?.minutes],
  ];
  return steps.flatMap(([field, m]) =>
    m != null && m > LONGEST_STEP_MIN
      ? [{ field, says: `${say(m, 'min')} is very long. Were seconds meant, or a decimal point?` }]
      : [],
  );
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

/**
 * Figures to be looked at again before they are believed.
 * @param now by the studio's clock; without it a look in the future cannot be told
 */
export const doubtsOf = (product: Product, batch: Batch, say: Say, now: Date | null = null): Doubt[] => [
  ...lookDoubts(batch, now),
  ...warmthDoubts(batch, say),
  ...stepDoubts(batch, say),
  ...ratioDoubts(product, batch, say),
];
