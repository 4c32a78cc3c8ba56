import { heldOutResults, namedBoth, shareCalibration, type HeldOutResult } from '@warm-jar/core';

/** As many made-up batches as docs/accuracy.md rests on, and the seed that makes the same ones again. */
const [CASES, SEED, FEWER] = [5000, 20261126, 1500];
const percent = (share: number, digits = 0) => `${(share * 100).toFixed(digits)} %`;
const of = (found: readonly HeldOutResult[], count: (r: HeldOutResult) => boolean) =>
  `${found.filter(count).length} of ${found.length}`;

function printHeldOut(): void {
  const { singles, pairs } = heldOutResults();
  console.log('\nrecords set aside\n');
  console.log(`one cause: leading right ${of(singles, (r) => r.right)}`);
  console.log(`two causes: leading one of them ${of(pairs, (r) => r.right)}, both named ${of(pairs, namedBoth)}`);
  for (const r of singles.filter((s) => !s.right))
    console.log(`  missed: ${r.record.because}: ${r.leading} ${percent(r.share)} for ${r.record.was.join()}`);
  for (const r of pairs.filter((p) => !namedBoth(p)))
    console.log(
      `  not named as both: ${r.record.because}: ${r.leading} ${percent(r.share)}, was ${r.record.was.join(' and ')}`,
    );
}

function printLeading(): void {
  const { leading, leadingError } = shareCalibration(CASES, SEED);
  console.log(`\nthe leading share held against ${CASES} made-up batches (seed ${SEED})\n`);
  console.log('| leading share | times | mean share | right | 95 % interval |\n|---|---|---|---|---|');
  for (const r of leading.filter((row) => row.given > 0))
    console.log(
      `| ${percent(r.from)} – ${percent(r.to)} | ${r.given} | ${percent(r.meanShare, 1)} | ${percent(r.rate.rate, 1)} | ${percent(r.rate.low, 1)} – ${percent(r.rate.high, 1)} |`,
    );
  console.log(`\nmean distance from the line ${percent(leadingError, 1)}`);
}

function printBreaking(): void {
  const ways = [
    ['every field written down', { maxGaps: 0 }],
    ['up to a third left empty', {}],
    ['up to two thirds left empty', { maxGaps: 0.67 }],
    ['hardly anything written down', { maxGaps: 1 }],
    ['one figure ten times out', { tenTimesOut: 1 }],
    ['three figures ten times out', { tenTimesOut: 3 }],
    ['four times as many slips beside', { besideRate: 0.12 }],
  ] as const;
  console.log('\nwhat breaks it\n\n| records | leading right | leading share off its line by |\n|---|---|---|');
  for (const [what, options] of ways) {
    const { firstRight, leadingError } = shareCalibration(FEWER, SEED, options);
    console.log(`| ${what} | ${percent(firstRight)} | ${percent(leadingError, 1)} |`);
  }
}

/** Prints what docs/accuracy.md shows. */
export function printAccuracy(): void {
  printHeldOut();
  printLeading();
  printBreaking();
}
