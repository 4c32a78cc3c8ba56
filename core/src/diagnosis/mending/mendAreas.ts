import type { Symptom } from '../../formats/batch';
import type { Mend } from '../../formats/diagnosis';
import type { CaseFacts } from '../caseFacts';
import { DUST, GLOVES, NEXT_DAY_H, TOOLS, WIPE, coatThings, freshCoat, mend } from './mendParts';

/** What an area of a state gets before the one coat over all, in the order in which it is done. */
const STEPS: readonly { readonly patterns: readonly string[]; readonly does: (where: string) => string }[] = [
  {
    patterns: ['liquid', 'edges-leak'],
    does: (where) => `${where}: scrape off all that is liquid, down to sound resin. ${GLOVES} ${TOOLS}`,
  },
  { patterns: ['greasy-film'], does: (where) => `${where}: wash the film off with warm water, and dry it.` },
  {
    patterns: ['where-it-touched'],
    does: (where) => `${where}: scrape off the uncured skin, and sand to sound resin. ${DUST}`,
  },
  {
    patterns: ['sticky-spots'],
    does: (where) =>
      `${where}: sand the sound resin around the spots, scrape what is runny, leave what is only tacky. ${DUST}`,
  },
  {
    patterns: ['tacky-all-over', 'tacky-air-side-only', 'unspecified'],
    does: (where) => `${where}: leave what is only tacky.`,
  },
];

const whereOf = (s: Symptom, i: number) => s.area?.where ?? s.where ?? `Area ${i + 1}`;

/** The tacky areas of the look that saw this one, where they are in different states. */
function areasOf({ batch, seen }: CaseFacts): Symptom[] {
  const look = (batch.checks ?? []).find(
    (c) =>
      c.afterH === seen.afterH && (c.symptoms ?? []).some((s) => s.kind === seen.kind && s.pattern === seen.pattern),
  );
  const tacky = (look?.symptoms ?? []).filter((s) => s.kind === 'tacky');
  return new Set(tacky.map((s) => s.pattern)).size > 1 ? tacky : [];
}

/** Area of all of them, cm², where each was told; null where one was not. */
const wholeArea = (areas: readonly Symptom[]): number | null =>
  areas.every((s) => s.area?.areaCM2 != null) ? areas.reduce((sum, s) => sum + s.area!.areaCM2!, 0) : null;

/**
 * Several areas of one casting in different states are one mend: each gets its own step in the right order, then one
 * coat over all, weighed for the whole area. A mend that puts nothing on stays as it is.
 */
export function areasTogether(facts: CaseFacts, first: Mend): Mend {
  const areas = facts.seen.kind === 'tacky' ? areasOf(facts) : [];
  const coats = first.steps.some((s) => s.includes(freshCoat(facts)));
  if (areas.length === 0 || !coats) return first;
  const steps = STEPS.flatMap(({ patterns, does }) =>
    areas.flatMap((s, i) => (patterns.includes(s.pattern) ? [does(whereOf(s, i))] : [])),
  );
  const areaCM2 = wholeArea(areas);
  const size = areaCM2 === null ? 'the whole area' : `the whole area, ${facts.say(areaCM2, 'cm²')}`;
  return mend(
    NEXT_DAY_H,
    ['scraper', 'alcohol and rags', '60–100 grit paper', 'damp cloth', 'dust mask', ...coatThings(facts)],
    ...steps,
    WIPE,
    `One coat over all, weighed for ${size}: ${freshCoat(facts)}`,
    'Check the underside after a day.',
  );
}
