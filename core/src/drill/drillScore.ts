import type { CauseId } from '../formats/vocabulary';

/** Sureness spread over causes, 0 to 1 each, together no more than 1. */
export type Sureness = ReadonlyMap<CauseId, number>;

/**
 * A spread over all causes in question that sums to 1: what was left over counts evenly; what was said beyond 1, or of
 * no cause in question, is scaled down or left out.
 */
export function wholeSpread(causes: readonly CauseId[], said: Sureness): Map<CauseId, number> {
  const total = causes.reduce((sum, id) => sum + Math.max(0, said.get(id) ?? 0), 0);
  const rest = Math.max(0, 1 - total) / causes.length;
  const scale = total > 1 ? 1 / total : 1;
  return new Map(causes.map((id) => [id, Math.max(0, said.get(id) ?? 0) * scale + rest]));
}

/** Squared distance of a spread from what it was, each cause that was at work counting alike (Brier 1950). */
function distance(spread: Sureness, causes: readonly CauseId[], truth: readonly CauseId[]): number {
  return causes.reduce((sum, id) => {
    const was = truth.includes(id) ? 1 / truth.length : 0;
    return sum + ((spread.get(id) ?? 0) - was) ** 2;
  }, 0);
}

/**
 * What a spread was worth: 100 where all of it lay on what it was, 0 for an even spread over all causes, less for surer
 * and wrong. A quadratic rule, set to that scale by constants that no answer can move: saying what one believes pays
 * best.
 * @param causes all causes in question, at least two, what it was among them
 */
export function drillScore(causes: readonly CauseId[], said: Sureness, truth: readonly CauseId[]): number {
  const even = new Map(causes.map((id) => [id, 1 / causes.length]));
  const lost = distance(wholeSpread(causes, said), causes, truth);
  return 100 * (1 - lost / distance(even, causes, truth));
}

/**
 * A spread in which one cause is given a share: the others keep theirs while there is room, and give way in proportion
 * where there is none.
 */
export function spreadWith(said: Sureness, id: CauseId, share: number): Map<CauseId, number> {
  const given = Math.min(1, Math.max(0, share));
  const others = [...said].filter(([other]) => other !== id);
  const total = others.reduce((sum, [, s]) => sum + s, 0);
  const scale = total > 1 - given ? (1 - given) / total : 1;
  return new Map([...others.map(([other, s]): [CauseId, number] => [other, s * scale]), [id, given]]);
}
