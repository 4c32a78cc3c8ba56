import {
  DRILL_LEVELS,
  LEVEL_WORDS,
  drillCase,
  drillCauses,
  drillMends,
  drillScore,
  isRightMend,
  ledgerTakes,
  randomTakes,
  type DrillCase,
  type Taken,
} from '@warm-jar/core';
import { chanceFrom } from '../core/src/simulation/chance';

/** As many drills of each level as docs/accuracy.md rests on, and the seed of the first. */
const [CASES, SEED] = [300, 20_261_128];

/** Whether the mend of the cause that is believed most mends this; null where there is none to choose. */
function mendRight(c: DrillCase, { spread }: Taken): boolean | null {
  const mends = drillMends(c);
  if (mends.length === 0) return null;
  const surest = [...spread].filter(([id]) => id !== 'something-else').sort((a, b) => b[1] - a[1])[0]?.[0];
  return isRightMend(
    mends.find((m) => surest !== undefined && m.mends.includes(surest)),
    c.truth,
  );
}

const mean = (all: readonly number[]) => all.reduce((a, b) => a + b, 0) / all.length;

function summary(cases: readonly DrillCase[], taken: readonly Taken[]): string {
  const scores = taken.map((t, i) => drillScore(drillCauses(cases[i]!), t.spread, cases[i]!.truth));
  const mends = taken.flatMap((t, i) => mendRight(cases[i]!, t) ?? []);
  const right = mends.filter(Boolean).length / Math.max(1, mends.length);
  const minutes = mean(taken.map((t) => t.minutes));
  return `${mean(scores).toFixed(0)} | ${minutes.toFixed(1)} min | ${(100 * right).toFixed(0)} %`;
}

/** The ledger takes the drill, and somebody who knows nothing: the bar for trainees, and the floor. */
export function printDrill(): void {
  console.log(`\nthe drill, ${CASES} of each level\n`);
  console.log('| level | ledger: score | asking | mend right | by chance: score | asking | mend right |');
  console.log('|---|---|---|---|---|---|---|');
  for (const level of DRILL_LEVELS) {
    const cases = Array.from({ length: CASES }, (_, i) => drillCase(SEED + i, level));
    const byLedger = cases.map(ledgerTakes);
    const byChance = cases.map((c) => randomTakes(c, drillCauses(c), chanceFrom(c.seed)));
    console.log(`| ${LEVEL_WORDS[level].title} | ${summary(cases, byLedger)} | ${summary(cases, byChance)} |`);
  }
}
