import { describe, expect, it } from 'vitest';
import { PATTERNS_BY_SYMPTOM, SYMPTOM_KINDS, type CauseId } from '../formats/vocabulary';
import { SALTMARSH_CARDS } from '../simulation/saltmarshCards';
import { overlay, soundBatch } from '../simulation/soundBatch';
import { batchSchema } from '../formats/batch';
import { causeTitle } from './catalogue';
import { diagnose } from './diagnose';

/** A batch that says plainly how everything was done, and each thing done well. */
const TOLD = {
  inclusions: [
    { what: 'oak', kind: 'wood', moisturePct: 5, sealed: true, treated: false, laid: 'before', moved: true },
    { what: 'brass', kind: 'metal', sealed: true, laid: 'before', moved: true },
  ],
  base: { kind: 'wood', sealed: true },
  additives: [{ name: 'blue', kind: 'dye', massG: 0.4, applied: 'mixed' }],
  mix: { stirAfterColourMin: 5, scrapedWalls: true, secondCup: true, vigour: 'gentle', shaken: false },
  pour: { tilted: true, fast: false, scrapedCup: false, flame: 'none', levelLostMm: 0, releaseMist: true },
  mould: { degassed: true, clean: true, sealed: true, finish: 'gloss', volumeML: 5000 },
  cure: { covered: true, film: true },
};

/** What would be a lie of that record, as it would be worded. */
const LIES: readonly (readonly [string, RegExp])[] = [
  ['walls were scraped', /cup were not scraped/i],
  ['the second cup', /no second cup/i],
  ['stirred gently', /(it was|was) (whipped|shaken|stirred brisk)/i],
  ['what is cast in was sealed', /(was|were) not sealed|is not sealed|unsealed/i],
  ['it was laid in before', /laid in after|laid in during/i],
  ['it was moved', /was not moved/i],
  ['the mould was degassed', /rubber was not degassed|never degassed|mould was not degassed/i],
  ['tilted, slowly', /not tilted|poured fast|was fast/i],
  ['the cup was not scraped', /cup was scraped/i],
  ['no flame', /torch (was|stood)|heat gun (was|stood)|flame (was|stood) (long|on)/i],
  ['covered, with film', /not covered|uncovered|no film|without film|nothing kept the air off/i],
  ['wiped and sanded', /not wiped|not sanded|unsanded|unwiped/i],
  ['the level stayed', /level fell|level lost/i],
  ['the mould was clean', /not clean|dirty/i],
];

/** All sentences of a diagnosis, each with the cause it belongs to; steps are what to do, not what was. */
function sentences(slug: string, kind: string, pattern: string, patch: Record<string, unknown>) {
  const card = SALTMARSH_CARDS.find((c) => c.slug === slug)!;
  const below = { productSlug: slug, family: card.family, hoursSince: 6, sanded: true, wiped: true, massLossPct: 0.1 };
  const whole = overlay(soundBatch(slug, TOLD), { layerBelow: below, ...patch });
  const batch = batchSchema.parse({ ...whole, checks: [{ afterH: 60, symptoms: [{ kind, pattern }] }] });
  const { causes, together, mend } = diagnose(card, batch).symptoms.at(-1)!;
  return [
    ...causes.flatMap((c) => [
      { of: c.id as CauseId | 'mend', says: causeTitle(c.id) },
      ...c.evidence.map((e) => ({ of: c.id as CauseId | 'mend', says: e.says })),
    ]),
    ...(together ? [{ of: together.ids[0] as CauseId | 'mend', says: together.says }] : []),
    ...mend.steps.map((says) => ({ of: 'mend' as const, says })),
  ];
}

const looks = SYMPTOM_KINDS.flatMap((kind) => PATTERNS_BY_SYMPTOM[kind].map((pattern) => [kind, pattern] as const));

describe('no sentence says what the record denies', () => {
  it.each(SALTMARSH_CARDS.map((c) => c.slug))('%s, every look, every cause', (slug) => {
    const lies = looks.flatMap(([kind, pattern]) =>
      sentences(slug, kind, pattern, {}).flatMap(({ of, says }) =>
        LIES.filter(([, lie]) => lie.test(says)).map(
          ([truth]) => `${kind} ${pattern}, ${of}: "${says}" though ${truth}`,
        ),
      ),
    );
    expect(lies.slice(0, 5)).toEqual([]);
  });
  it('and each of these sentences is said where the record bears it out', () => {
    const opposite = {
      mix: { scrapedWalls: false, secondCup: false, vigour: 'whipped', shaken: true },
      pour: { flame: 'torch-long', tilted: false, fast: true, scrapedCup: true, levelLostMm: 4 },
      mould: { degassed: false, clean: false, sealed: false },
      cure: { covered: false, film: false },
      layerBelow: {
        productSlug: 'house-clear-6',
        family: 'polyurethane',
        hoursSince: 200,
        sanded: false,
        wiped: false,
      },
      inclusions: [{ what: 'oak', kind: 'wood', sealed: false, laid: 'after', moved: false }],
    };
    const said = ['house-clear-6', 'house-tide', 'house-noon']
      .flatMap((slug) => looks.flatMap(([kind, pattern]) => sentences(slug, kind, pattern, opposite)))
      .map((s) => s.says);
    const silent = LIES.filter(([, lie]) => !said.some((s) => lie.test(s))).map(([truth]) => truth);
    expect(silent).toEqual([]);
  });
  it('and a field that nobody filled in is in no sentence as done or not done', () => {
    const bare = { inclusions: null, base: null, additives: null, mix: null, pour: null, mould: null, cure: null };
    const lies = ['house-clear-6', 'house-coat-9', 'house-tide'].flatMap((slug) =>
      looks.flatMap(([kind, pattern]) =>
        sentences(slug, kind, pattern, { ...bare, layerBelow: null, pressure: null, degas: null })
          .filter(({ of }) => of !== 'mend')
          .flatMap(({ says }) =>
            LIES.filter(([, lie]) => lie.test(says)).map(() => `${slug} ${kind} ${pattern}: ${says}`),
          ),
      ),
    );
    expect(lies.slice(0, 5)).toEqual([]);
  });
});
