import type { Gear, Plan } from '@warm-jar/core';

/** What the planned cup holds: the smallest on the shelf that the plan fits into; null where none is known. */
export function usedCupML(plan: Plan | null, gear: readonly Gear[]): number | null {
  const cups = gear.flatMap((g) => (g.kind === 'cup' && g.volumeML != null ? [g.volumeML] : [])).sort((a, b) => a - b);
  if (cups.length === 0) return null;
  return cups.find((v) => v >= (plan?.cup.neededML ?? 0)) ?? cups.at(-1)!;
}
