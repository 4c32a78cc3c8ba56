import jStat from 'jstat';
import { requireNumber } from '../formats/errors';

/**
 * How many standard errors lie either side of an estimate at a confidence, by Student's t.
 * @param degreesOfFreedom observations less fitted parameters, above 0
 * @param confidence between 0 and 1
 * @throws CoreError `out-of-range`
 * @example tQuantile(11) // 2.201
 */
export function tQuantile(degreesOfFreedom: number, confidence = 0.95): number {
  requireNumber(degreesOfFreedom, 'degreesOfFreedom', Number.MIN_VALUE);
  requireNumber(confidence, 'confidence', 0, 1);
  return jStat.studentt.inv((1 + confidence) / 2, degreesOfFreedom);
}
