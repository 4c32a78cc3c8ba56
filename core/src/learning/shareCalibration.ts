import { recordFacts } from '../diagnosis/caseFacts';
import { rankCauses } from '../diagnosis/ledger';
import { chanceFrom } from '../simulation/chance';
import { wordsIn } from '../units/wording';
import { hiddenCase, type HiddenCaseOptions } from '../simulation/hiddenCase';
import { wilsonInterval, type RateInterval } from './wilsonInterval';

/** Causes that were given a share within a tenth, and how often they were right. */
export interface CalibrationRow {
  readonly from: number;
  readonly to: number;
  readonly given: number;
  readonly meanShare: number;
  readonly right: number;
  readonly rate: RateInterval;
}

export interface ShareCalibration {
  readonly cases: number;
  readonly rows: readonly CalibrationRow[];
  /** The same for the cause given most alone: what a technician reads and acts on. */
  readonly leading: readonly CalibrationRow[];
  /** Mean distance of the leading rows from their line. */
  readonly leadingError: number;
  /** How often the cause given most was the hidden one. */
  readonly firstRight: number;
  /** Mean distance of the rows from the line, weighted by how often they were given (expected calibration error). */
  readonly error: number;
}

const TENTHS = 10;
interface Bin {
  given: number;
  sum: number;
  right: number;
}

/** Counts shares by their tenth, and how often they were right. */
export function shareBins() {
  const bins: Bin[] = Array.from({ length: TENTHS }, () => ({ given: 0, sum: 0, right: 0 }));
  return {
    count: (share: number, right: boolean): void => {
      const bin = bins[Math.min(TENTHS - 1, Math.floor(share * TENTHS))]!;
      bin.given += 1;
      bin.sum += share;
      if (right) bin.right += 1;
    },
    rows: (): CalibrationRow[] =>
      bins.map(({ given, sum, right }, i) => ({
        from: i / TENTHS,
        to: (i + 1) / TENTHS,
        given,
        meanShare: given ? sum / given : 0,
        right,
        rate: wilsonInterval(right, given),
      })),
  };
}

/** Mean distance of the rows from the line, weighted by how often they were given. */
export const errorOf = (rows: readonly CalibrationRow[]): number =>
  rows.reduce((sum, r) => sum + r.given * Math.abs(r.rate.rate - r.meanShare), 0) /
  rows.reduce((sum, r) => sum + r.given, 0);

/**
 * Holds the diagnosis against made-up batches whose cause is known: of the causes given a share of, say, 60–70 %, that
 * many should be right.
 * @param cases how many batches
 * @param seed the same seed, the same batches
 */
export function shareCalibration(cases: number, seed: number, options: HiddenCaseOptions = {}): ShareCalibration {
  const chance = chanceFrom(seed);
  const [all, first] = [shareBins(), shareBins()];
  let firstRight = 0;
  for (let i = 0; i < cases; i += 1) {
    const made = hiddenCase(chance, options);
    const causes = rankCauses({ ...recordFacts(made.product, made.batch, wordsIn(), made.history), seen: made.seen });
    const [leader] = causes;
    if (leader) first.count(leader.share, leader.id === made.cause);
    if (leader?.id === made.cause) firstRight += 1;
    for (const { id, share } of causes) all.count(share, id === made.cause);
  }
  const [rows, leading] = [all.rows(), first.rows()];
  return {
    cases,
    rows,
    leading,
    leadingError: errorOf(leading),
    firstRight: firstRight / cases,
    error: errorOf(rows),
  };
}
