import type { Plan, Say } from '@warm-jar/core';

/** One thing to weigh, in the order of the plan. */
export interface WeighLine {
  readonly name: string;
  readonly part: 'a' | 'b' | 'additive';
  readonly amount: string;
  /** By volume, by drops, by per cent. */
  readonly more: string;
}

/** More drops than this nobody counts. */
const MAX_DROPS = 120;
const NAMES: Readonly<Record<string, string>> = {
  A: 'A',
  liquid: 'Liquid',
  B: 'B',
  catalyst: 'Catalyst',
  powder: 'Powder',
};
const joined = (words: readonly string[]) => words.filter(Boolean).join(', ');

function lineOfA({ partA }: Plan, name: string, say: Say): WeighLine {
  const more = partA.volumeML === null ? '' : say(partA.volumeML, 'mL');
  return { name: NAMES[name]!, part: 'a', amount: say(partA.massG, 'g'), more };
}

function lineOfB({ partB, catalystPct }: Plan, name: string, say: Say): WeighLine {
  const { massG, volumeML, drops } = partB;
  const more = joined([
    catalystPct === null ? '' : `${catalystPct.toFixed(2)} %`,
    volumeML === null || name === 'powder' ? '' : say(volumeML, 'mL'),
    drops === null || drops > MAX_DROPS ? '' : `${drops} drops`,
  ]);
  return { name: NAMES[name]!, part: 'b', amount: say(massG ?? 0, 'g'), more };
}

function lineOfAdditive({ additives }: Plan, name: string, say: Say): WeighLine {
  const found = additives.find((a) => (a.name ?? a.kind) === name);
  return {
    name,
    part: 'additive',
    amount: found?.massG == null ? 'not known' : say(found.massG, 'g'),
    more: found?.drops == null ? '' : `${found.drops} drops`,
  };
}

/** What is weighed for a plan, line by line. */
export function weighLines(plan: Plan, say: Say): WeighLine[] {
  return plan.order.map((name) => {
    if (name === 'A' || name === 'liquid') return lineOfA(plan, name, say);
    return name in NAMES ? lineOfB(plan, name, say) : lineOfAdditive(plan, name, say);
  });
}
