import { findRoot } from '../numeric/findRoot';
import type { PlanRequest } from '../formats/plan';
import type { Say } from '../units/wording';
import { requireNumber } from '../formats/errors';
import { timeBudget } from './timeBudget';

/** How a total is mixed when one cup is used up slowly: a coat spread, a laminate wetted, several moulds filled. */
export interface OneCup {
  /** Most that may be mixed at once, A + B, g. */
  readonly mostAtOnceG: number;
  readonly mixes: number;
  readonly eachG: number;
  /** Minutes that one mix is used over, and its pot life. */
  readonly useMin: number;
  readonly potLifeMin: number;
}

/** Share of pot life that is planned to be used; the rest is for what goes wrong. */
const USED_SHARE = 0.9;
const MIN_G = 1;

/**
 * The most that can be mixed at once when resin is used at a rate, and so how many mixes a total takes. A bigger cup
 * lasts shorter, so the two are solved together.
 * @param gPerMin rate of use, g/min, above 0
 * @returns null where pot life is not known, or where even a gram would set before it is used
 * @throws CoreError `out-of-range`, `ratio-not-stated`
 */
export function oneCup(request: PlanRequest, gPerMin: number, say?: Say): OneCup | null {
  requireNumber(gPerMin, 'gPerMin', Number.MIN_VALUE, 1e6);
  const whole = timeBudget(request, say);
  const totalG = whole.amounts.mixedMassG;
  const at = (massG: number) => {
    // How large the cup may be is looked for without the scale's step: rounded, a small dose is another dose.
    const b = timeBudget(
      {
        ...request,
        want: { ...request.want, volumeML: null, mixedMassG: massG, lossPct: null, round: null },
        gear: { ...request.gear, scaleStepG: null },
      },
      say,
    );
    return b.curve.potLifeMin === null
      ? null
      : {
          potLifeMin: b.curve.potLifeMin,
          left: USED_SHARE * b.curve.potLifeMin - b.case.stirMin - b.case.clearMin - massG / gPerMin,
        };
  };
  const [first, all] = [at(MIN_G), at(totalG)];
  if (!first || !all || first.left <= 0) return null;
  const mostAtOnceG = all.left >= 0 ? totalG : findRoot((g) => at(g)?.left ?? -1, MIN_G, totalG, 1e-3, 30).value;
  const mixes = Math.max(1, Math.ceil(totalG / mostAtOnceG - 1e-6));
  const eachG = totalG / mixes;
  return { mostAtOnceG, mixes, eachG, useMin: eachG / gPerMin, potLifeMin: at(eachG)?.potLifeMin ?? first.potLifeMin };
}
