import type { Plan, Product, Say } from '@warm-jar/core';

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

function lineOfB({ partA, partB, catalystPct }: Plan, name: string, say: Say): WeighLine {
  const { massG, volumeML, drops } = partB;
  const per100 = partA.volumeML && volumeML !== null ? (100 * volumeML) / partA.volumeML : null;
  const more = joined([
    catalystPct === null ? '' : `${catalystPct.toFixed(2)} %`,
    catalystPct === null || per100 === null ? '' : `${per100.toFixed(2)} mL per 100 mL`,
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

/** What B may weigh for this A within the card's tolerance, or within its band of catalyst, g; null where none is stated. */
export function bandOfB(
  { ratio }: Product,
  { partA, partB }: Plan,
): { readonly low: number; readonly high: number } | null {
  const { catalyst, tolerancePct } = ratio;
  if (partB.massG === null) return null;
  if (catalyst)
    return catalyst.minPct == null || catalyst.maxPct == null
      ? null
      : { low: (partA.massG * catalyst.minPct) / 100, high: (partA.massG * catalyst.maxPct) / 100 };
  if (tolerancePct == null) return null;
  return { low: partB.massG * (1 - tolerancePct / 100), high: partB.massG * (1 + tolerancePct / 100) };
}

/** What is weighed for a plan, line by line. */
export function weighLines(plan: Plan, say: Say): WeighLine[] {
  return plan.order.map((name) => {
    if (name === 'A' || name === 'liquid') return lineOfA(plan, name, say);
    return name in NAMES ? lineOfB(plan, name, say) : lineOfAdditive(plan, name, say);
  });
}
