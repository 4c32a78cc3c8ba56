import { CATALOGUE_WEIGHT, shareCalibration, studioCalibration, type LedgerScore } from '@warm-jar/core';

/** Made-up studios, outcomes confirmed in each, new faults in each, and the seed that makes the same ones again. */
const [STUDIOS, OUTCOMES, CASES, SEED] = [60, 60, 100, 7];
/** Records of which a fifth is missing and a tenth mistyped. */
const BAD = { missing: 0.2, mistyped: 0.1 } as const;
const BAD_CASES = 4000;
const percent = (share: number) => `${(share * 100).toFixed(1)} %`;

/** Prints how near a ledger that learns comes to one that knows a studio's rates, and how honest it is of bad records. */
export function printStudioRates(): void {
  const { catalogue, learned, trueRates, cases } = studioCalibration(STUDIOS, OUTCOMES, CASES, SEED);
  const row = (name: string, score: LedgerScore) =>
    console.log(`| ${name} | ${percent(score.firstRight)} | ${percent(score.leadingError)} |`);
  console.log(
    `\n${STUDIOS} made-up studios whose rates are 0.3 to 3 times the catalogue's, ${OUTCOMES} outcomes confirmed in each, ${cases} new faults (the catalogue counts for ${CATALOGUE_WEIGHT} outcomes of a cause)\n`,
  );
  console.log('| ledger by | first place right | leading share off its line by |\n|---|---|---|');
  row("the catalogue's rates", catalogue);
  row('those learned', learned);
  row('the true rates', trueRates);
  const { leading, leadingError } = shareCalibration(BAD_CASES, SEED, BAD);
  const sure = leading.at(-1)!;
  console.log(
    `\na fifth of the fields missing and a tenth mistyped (${BAD_CASES} records): said 90 % or more ${sure.given} times, right ${percent(sure.rate.rate)}; leading share off its line by ${percent(leadingError)}`,
  );
}
