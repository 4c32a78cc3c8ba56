import { requireNumber } from '../formats/errors';
import type { Product } from '../formats/product';
import { memoize } from '../numeric/memoize';
import { arrheniusFactor } from './arrhenius';
import { calibrate, isCalibrated, type Calibration } from './calibration';
import { doseEffect } from './catalystDose';
import { COLDEST_C, WARMEST_C } from './temperatureBounds';
import { alphaAtMinute, integrateCup, minuteAtAlpha, type CupCurve } from './cup';

/** A temperature of the mix at a minute since the parts met; as plain figures, or as a batch keeps its readings. */
export type ResinReading =
  | { readonly atMin: number; readonly temperatureC: number }
  | {
      readonly atMin?: number | null | undefined;
      readonly what?: string | null | undefined;
      readonly value?: number | null | undefined;
    };

/** Longest time that a record may hold, min. */
const MAX_MIN = 1e6;

interface Point {
  readonly atMin: number;
  readonly temperatureC: number;
}

export function resinPoints(readings: readonly ResinReading[]): Point[] {
  return (
    readings
      .flatMap((r): Point[] => {
        if ('temperatureC' in r) return [r];
        return r.what === 'resin' && r.atMin != null && r.value != null
          ? [{ atMin: r.atMin, temperatureC: r.value }]
          : [];
      })
      // What was read before the parts met, or is no temperature that resin can have, says nothing of the mix.
      .filter((p) => p.atMin >= 0 && p.atMin <= MAX_MIN && p.temperatureC >= COLDEST_C && p.temperatureC <= WARMEST_C)
      .sort((a, b) => a.atMin - b.atMin)
  );
}

/** The cure of a mix held at the card's temperature that cannot heat itself, to its gel. */
const heldCurve = memoize((fit: Calibration): CupCurve =>
  integrateCup(
    { ...fit, heatJPerG: 0 },
    {
      massG: 100,
      densityGPerML: fit.densityGPerML,
      resinC: fit.referenceC,
      roomC: fit.referenceC,
      untilAlpha: fit.alphaGel * 1.02,
      maxMinutes: 1e6,
    },
  ),
);

/** Minutes to the end of pot life where the mix is held at the card's temperature. */
const heldPotLifeMin = (fit: Calibration): number | null => minuteAtAlpha(heldCurve(fit), fit.alphaPot);

/** Conversion of a mix that has spent a share of its pot life, whatever temperatures it went through. */
export function alphaAtSpent(fit: Calibration, share: number): number {
  const held = heldPotLifeMin(fit);
  return held === null ? 0 : Math.min(alphaAtMinute(heldCurve(fit), share * held), fit.alphaGel * 1.02);
}

/** Parts of the time between two readings over which the rate is summed; the temperature runs straight between them. */
const PARTS = 8;

/**
 * Share of the pot life that is spent: `∫dt/tpot(T)` over the temperatures read so far, with `tpot(T)` the time a mix
 * held at T takes to the end of its pot life. The cure's rate is a factor of temperature times one of conversion, so
 * this is exact: it passes 1 when the mix that was read does, whatever its mass. Before the first reading the first
 * temperature is taken; after the last one the last.
 * @param readings of the resin; others are passed over
 * @param untilMin now, minutes since the parts met; the last reading where it is not given
 * @param catalystPct dose of catalyst, % of resin mass; the card's typical one where it is not given
 * @returns 0 at the start, 1 at the end of pot life; null where the card or
 * the family gives no pot life, or nothing was read
 * @throws CoreError `out-of-range`
 */
export function potLifeSpent(
  product: Product,
  readings: readonly ResinReading[],
  untilMin?: number,
  catalystPct?: number | null,
): number | null {
  const points = resinPoints(readings);
  if (points.length === 0) return null;
  const fit = calibrate(product);
  const until = requireNumber(untilMin ?? points.at(-1)!.atMin, 'untilMin', 0, MAX_MIN);
  if (!isCalibrated(fit)) return product.potLife?.minutes == null ? null : until / product.potLife.minutes;
  const held = heldPotLifeMin(fit);
  if (held === null) return null;
  const dose = doseEffect(product, catalystPct)?.rate ?? 1;
  const rate = (temperatureC: number) =>
    (arrheniusFactor(fit.kinetics.activationKJPerMol, temperatureC, fit.referenceC) * dose) / held;
  const path = [
    { ...points[0]!, atMin: 0 },
    ...points,
    { ...points.at(-1)!, atMin: Math.max(until, points.at(-1)!.atMin) },
  ];
  let spent = 0;
  for (let i = 1; i < path.length; i += 1) {
    const [from, to] = [path[i - 1]!, path[i]!];
    const end = Math.min(to.atMin, until);
    if (end <= from.atMin) continue;
    const at = (minute: number) =>
      from.temperatureC + ((to.temperatureC - from.temperatureC) * (minute - from.atMin)) / (to.atMin - from.atMin);
    const h = (end - from.atMin) / PARTS;
    for (let part = 0; part < PARTS; part += 1) {
      const t = from.atMin + part * h;
      // Simpson's rule over each part.
      spent += (h / 6) * (rate(at(t)) + 4 * rate(at(t + h / 2)) + rate(at(t + h)));
    }
  }
  return spent;
}
