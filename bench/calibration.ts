import { shareCalibration } from '@warm-jar/core';

/**
 * As many made-up batches as the claim in docs/calibration.md rests on, and the seed that makes the same ones again.
 */
const [CASES, SEED] = [5000, 20261126];
const percent = (share: number, digits = 0) => `${(share * 100).toFixed(digits)} %`;

/** Prints how often causes were right by the share they were given, as the table that docs/calibration.md shows. */
export function printCalibration(): void {
  const { rows, firstRight, error } = shareCalibration(CASES, SEED);
  console.log(`\nshares held against ${CASES} made-up batches with a hidden cause (seed ${SEED})\n`);
  console.log('| share given | times given | mean share | right | 95 % interval |\n|---|---|---|---|---|');
  for (const r of rows)
    console.log(
      `| ${percent(r.from)} – ${percent(r.to)} | ${r.given} | ${percent(r.meanShare, 1)} | ${percent(r.rate.rate, 1)} | ${percent(r.rate.low, 1)} – ${percent(r.rate.high, 1)} |`,
    );
  console.log(
    `\nthe cause given most was the hidden one in ${percent(firstRight)}; mean distance from the line ${percent(error, 2)}`,
  );
}
