import type { Chemistry } from './chemistry';
import { integrateCup, type CupConditions, type CupCurve } from './cup';

/** A cup poured off from a mix: when, in minutes of the curve, and with how much in it. */
export interface CupSplit {
  readonly atMin: number;
  readonly massG: number;
}

/**
 * A mix in one cup until it is split, then as one of its parts: it goes on from the conversion and the temperature it
 * had, and with its own mass loses its heat faster from then on.
 * @returns one curve; that of the whole alone where it is over before the split, or there is none
 */
export function integrateSplitCup(chemistry: Chemistry, conditions: CupConditions, split: CupSplit | null): CupCurve {
  if (split === null || !(split.atMin < conditions.maxMinutes)) return integrateCup(chemistry, conditions);
  if (split.atMin <= 0) return integrateCup(chemistry, { ...conditions, massG: split.massG });
  const whole = integrateCup(chemistry, { ...conditions, maxMinutes: split.atMin });
  if (whole.status !== 'time-ran-out') return whole;
  const part = integrateCup(chemistry, {
    ...conditions,
    massG: split.massG,
    // The cup it was poured into is another one.
    cupDiameterMm: undefined,
    alpha: whole.alpha.at(-1)!,
    resinC: whole.temperatureC.at(-1)!,
    maxMinutes: conditions.maxMinutes - split.atMin,
  });
  const hotter = part.peakC > whole.peakC;
  return {
    minutes: [...whole.minutes, ...part.minutes.slice(1).map((m) => m + split.atMin)],
    alpha: [...whole.alpha, ...part.alpha.slice(1)],
    alphaPerMin: [...whole.alphaPerMin, ...part.alphaPerMin.slice(1)],
    temperatureC: [...whole.temperatureC, ...part.temperatureC.slice(1)],
    peakC: hotter ? part.peakC : whole.peakC,
    peakMin: hotter ? part.peakMin + split.atMin : whole.peakMin,
    energyError: Math.max(whole.energyError, part.energyError),
    status: part.status,
  };
}
