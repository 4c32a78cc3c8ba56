import { candidates } from '../diagnosis/ledger';
import { mendFor } from '../diagnosis/mending/mend';
import type { Mend } from '../formats/diagnosis';
import type { DrillCase } from '../formats/drill';
import type { CauseId } from '../formats/vocabulary';
import { chanceApart } from '../simulation/chance';
import { wordsIn, type Say } from '../units/wording';
import { drillFacts } from './drillCase';

/** A mend to choose, and the causes that it mends here. */
export interface DrillMend extends Mend {
  readonly id: string;
  readonly mends: readonly CauseId[];
}

/** As many mends to choose from as are read in a minute. */
const MOST = 4;

/**
 * The mends that a drill lets choose from: that of its cause, and those of causes it could be taken for; as the record
 * was written, so that none says what was hidden. None where every cause here has the same mend.
 */
export function drillMends(c: DrillCase, say: Say = wordsIn()): DrillMend[] {
  const facts = drillFacts(c, { batch: c.batch, history: {} }, say);
  const causes = new Set<CauseId>([...c.truth, ...candidates(facts).map((k) => k.id), 'something-else']);
  const bySteps = new Map<string, { mend: Mend; mends: CauseId[] }>();
  for (const id of causes) {
    const mend = mendFor(facts, [{ id, share: 1 }]);
    const key = mend.steps.join('\n');
    const known = bySteps.get(key);
    if (known) known.mends.push(id);
    else bySteps.set(key, { mend, mends: [id] });
  }
  const all = [...bySteps.values()];
  const right = all.filter((m) => m.mends.some((id) => c.truth.includes(id)));
  const others = all.filter((m) => !right.includes(m)).slice(0, Math.max(0, MOST - right.length));
  if (others.length === 0) return [];
  const chance = chanceApart(c.seed, 0);
  return [...right, ...others]
    .map((m) => ({ ...m, at: chance.unit() }))
    .sort((a, b) => a.at - b.at)
    .map(({ mend, mends }, i) => ({ ...mend, mends, id: `mend-${i + 1}` }));
}

/** Whether a mend is one for what it was. */
export const isRightMend = (mend: Pick<DrillMend, 'mends'> | undefined, truth: readonly CauseId[]): boolean =>
  mend?.mends.some((id) => truth.includes(id)) ?? false;
