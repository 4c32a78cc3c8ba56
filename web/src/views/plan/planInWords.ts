import type { Plan, Say } from '@warm-jar/core';

/** What the plan comes to, as the time card heads it. */
export const VERDICT_WORDS = { go: 'Go', tight: 'Tight', 'no-go': 'No go' } as const;

function timeWords(spareMin: number | null, say: Say): string {
  if (spareMin === null) return 'pot life is not known';
  return `${say(Math.abs(spareMin), 'min')} ${spareMin < 0 ? 'too long' : 'to spare'}`;
}

/** The plan as a screen reader says it: the verdict, the time, the amounts, what forbids it. */
export function planInWords(plan: Plan, say: Say): string {
  const { verdict, spareMin, partA, partB, warnings } = plan;
  const b = partB.massG === null || partB.massG === 0 ? '' : `, B ${say(partB.massG, 'g')}`;
  const stops = warnings.filter((w) => w.stop).map((w) => `Stop. ${w.says}`);
  const head = `${VERDICT_WORDS[verdict]}, ${timeWords(spareMin, say)}.`;
  return [head, `A ${say(partA.massG, 'g')}${b}.`, ...stops].join(' ');
}
