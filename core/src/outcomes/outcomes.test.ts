import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { diagnose } from '../diagnosis/diagnose';
import { batchSchema, type CauseOutcome } from '../formats/batch';
import type { DiagnoseRequest } from '../formats/diagnosis';
import { batchFacts } from '../learning/batchFacts';
import { studioCalibration } from '../learning/studioCalibration';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { CATALOGUE_WEIGHT, learnedFactor, studioRates, type SettledCase } from './causeRates';
import { proposedOutcome } from './proposedOutcome';
import { rateHistory } from './rateHistory';
import { turnedOut } from './turnedOut';

const CARD = saltmarshCard('house-clear-6');
const faulty = (patch: Record<string, unknown> = {}) =>
  soundBatch('house-clear-6', {
    code: 'B-1',
    checks: [{ afterH: 24, symptoms: [{ kind: 'tacky', pattern: 'tacky-all-over', severity: 3 }] }],
    ...patch,
  });
const outcome = (cause: string, more: Partial<CauseOutcome> = {}) => ({
  symptom: 'tacky',
  cause,
  how: 'test',
  ...more,
});
const sharesOf = (batch: ReturnType<typeof faulty>, history?: DiagnoseRequest['history']) =>
  new Map(diagnose(CARD, batch, { history }).symptoms[0]!.causes.map((c) => [c.id, c]));
const total = (shares: ReturnType<typeof sharesOf>) => [...shares.values()].reduce((sum, c) => sum + c.share, 0);

describe('what it turned out to be', () => {
  it('leads the diagnosis of its own batch, and what was refuted falls', () => {
    const before = sharesOf(faulty());
    const confirmed = sharesOf(faulty({ outcome: [outcome('cup-scraped'), outcome('under-mixed')] }));
    expect(confirmed.get('under-mixed')!.share).toBeGreaterThan(0.6);
    expect(confirmed.get('under-mixed')!.evidence[0]!.says).toContain('turned out to be this, by a test');
    const refuted = sharesOf(faulty({ outcome: [outcome('ratio-off', { refuted: true })] }));
    expect(refuted.get('ratio-off')!.share).toBeLessThan(before.get('ratio-off')!.share / 5);
    expect(total(confirmed)).toBeCloseTo(1, 9);
  });
  it('counts a cause that the catalogue does not expect of this fault', () => {
    expect(sharesOf(faulty()).has('flame-scorch')).toBe(false);
    expect(
      sharesOf(faulty({ outcome: [outcome('flame-scorch', { how: 'seen' })] })).get('flame-scorch')!.share,
    ).toBeGreaterThan(0.5);
    const other = sharesOf(faulty({ outcome: [outcome('something-else', { how: 'seen' })] }));
    expect(other.get('something-else')!.share).toBeGreaterThan(0.8);
  });
  it('moves nothing where it was only judged, of another symptom, or of another casting', () => {
    const shares = (patch: Record<string, unknown>) => [...sharesOf(faulty(patch))].map(([id, c]) => [id, c.share]);
    const before = shares({});
    expect(shares({ outcome: [outcome('under-mixed', { how: 'judged' })] })).toEqual(before);
    expect(shares({ outcome: [outcome('under-mixed', { symptom: 'soft' })] })).toEqual(before);
    const castings = [{ id: 'k1' }, { id: 'k2' }];
    const checks = ['k1', 'k2'].map((casting) => ({
      afterH: 24,
      casting,
      symptoms: [{ kind: 'tacky', pattern: 'tacky-all-over' }],
    }));
    const [one, two] = diagnose(
      CARD,
      faulty({ castings, checks, outcome: [outcome('under-mixed', { casting: 'k1' })] }),
    ).symptoms;
    const share = (s: typeof one) => s!.causes.find((c) => c.id === 'under-mixed')!.share;
    expect(share(one)).toBeGreaterThan(3 * share(two));
  });
  it('takes what was found last', () => {
    expect(
      turnedOut(
        batchSchema.parse(faulty({ outcome: [outcome('ratio-off'), outcome('ratio-off', { refuted: true })] }))
          .outcome!,
      ),
    ).toEqual({
      confirmed: [],
      refuted: ['ratio-off'],
    });
  });
  it('is kept beside the batch as one answer a symptom, with what the catalogue expected', () => {
    const castings = [{ id: 'k1' }, { id: 'k2' }];
    const facts = batchFacts(
      CARD,
      faulty({ castings, outcome: castings.map((k) => outcome('cup-scraped', { casting: k.id })) }),
    );
    expect(facts.settled).toHaveLength(1);
    const [settled] = facts.settled!;
    expect(settled).toMatchObject({
      kind: 'tacky',
      pattern: 'tacky-all-over',
      family: 'polyurethane',
      confirmed: ['cup-scraped'],
    });
    expect(Object.values(settled!.prior).reduce((a, b) => a + b!, 0)).toBeCloseTo(1, 3);
    expect(batchFacts(CARD, faulty({ outcome: [outcome('ratio-off', { how: 'judged' })] })).settled).toBeUndefined();
  });
});

const prior = { 'ratio-off': 0.5, 'under-mixed': 0.3, 'something-else': 0.2 } as const;
const cases = (
  confirmed: readonly SettledCase['confirmed'][number][],
  more: Partial<SettledCase> = {},
): SettledCase[] =>
  confirmed.map((id) => ({ kind: 'tacky', family: 'epoxy', prior, confirmed: [id], refuted: [], ...more }));
const factorOf = (list: readonly SettledCase[], id: string) => studioRates(list).all.find((c) => c.id === id)!.factor;

describe('rates of the studio', () => {
  it('are the catalogue until something is known, and the conjugate update then', () => {
    expect(studioRates([])).toEqual({ weight: CATALOGUE_WEIGHT, of: 0, all: [], bySymptom: [] });
    expect(learnedFactor(0, 0)).toBe(1);
    expect(learnedFactor(8, 4)).toBeCloseTo((CATALOGUE_WEIGHT + 8) / (CATALOGUE_WEIGHT + 4), 12);
    const rates = studioRates(cases(['ratio-off', 'ratio-off', 'under-mixed']));
    expect(rates.all.find((c) => c.id === 'ratio-off')).toMatchObject({ times: 2, expected: 1.5 });
    expect(rates.bySymptom).toHaveLength(1);
  });
  it('come to what is found where very much is known', () => {
    const many = cases([
      ...Array<'ratio-off'>(100).fill('ratio-off'),
      ...Array<'under-mixed'>(900).fill('under-mixed'),
    ]);
    const weight = (id: keyof typeof prior) => prior[id] * factorOf(many, id);
    const all = weight('ratio-off') + weight('under-mixed') + weight('something-else');
    expect(weight('ratio-off') / all).toBeCloseTo(0.1, 1);
    expect(weight('under-mixed') / all).toBeGreaterThan(0.87);
  });
  it('rise with every confirmation and fall with every refutation', () =>
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('ratio-off', 'under-mixed', 'something-else'), { maxLength: 25 }),
        (list) => {
          const before = cases(list as 'ratio-off'[]);
          const base = before.length === 0 ? 1 : factorOf(before, 'ratio-off');
          expect(factorOf([...before, ...cases(['ratio-off'])], 'ratio-off')).toBeGreaterThan(base - 1e-9);
          const refuted: SettledCase = { kind: 'tacky', family: 'epoxy', prior, confirmed: [], refuted: ['ratio-off'] };
          expect(factorOf([...before, refuted], 'ratio-off')).toBeLessThan(base + 1e-9);
        },
      ),
      { numRuns: 40 },
    ));
  it('of one symptom begin where the studio as a whole stands', () => {
    const rates = studioRates([
      ...cases(Array<'ratio-off'>(12).fill('ratio-off')),
      ...cases(['under-mixed'], { kind: 'soft' }),
    ]);
    const told = (kind: 'tacky' | 'soft' | 'haze') =>
      rateHistory(rates, kind, 'epoxy').find((c) => c.id === 'ratio-off')!;
    expect(told('tacky')).toMatchObject({ times: 12, of: 12 });
    expect(told('soft').factor).toBeGreaterThan(1);
    expect(told('soft').factor).toBeLessThan(told('tacky').factor!);
    expect(told('haze')).toMatchObject({ times: 12, of: 13 });
  });
  it('move the shares of a diagnosis, by a bare count too, and say so', () => {
    const bare = sharesOf(faulty());
    const learned = sharesOf(faulty(), { causes: [{ id: 'cup-scraped', times: 30, of: 40 }] });
    expect(learned.get('cup-scraped')!.share).toBeGreaterThan(2 * bare.get('cup-scraped')!.share);
    expect(learned.get('ratio-off')!.share).toBeLessThan(bare.get('ratio-off')!.share);
    expect(learned.get('cup-scraped')!.here!.says).toMatch(
      /^Here it turned out to be this in 30 of 40; the catalogue expects/,
    );
    expect(total(learned)).toBeCloseTo(1, 9);
    const other = sharesOf(faulty(), { causes: [{ id: 'cup-scraped', symptom: 'soft', times: 30, of: 40 }] });
    expect(other.get('cup-scraped')!.share).toBe(bare.get('cup-scraped')!.share);
  });
  it('say nothing of a cause that none of the settled faults could have had', () => {
    // Twelve tacky casts: that light yellowed one was expected in none of them, so that it never was tells nothing.
    const rates = studioRates(cases(Array<'ratio-off'>(12).fill('ratio-off')));
    const yellow = faulty({
      checks: [{ afterH: 900, symptoms: [{ kind: 'yellowing', pattern: 'surface-exposed-to-light' }] }],
    });
    const bare = sharesOf(yellow);
    const learned = sharesOf(yellow, { causes: rateHistory(rates, 'yellowing', CARD.family) });
    const known = new Set<string>(rates.all.map((r) => r.id));
    const unknown = [...bare.keys()].filter((id) => !known.has(id));
    expect(unknown.length).toBeGreaterThan(0);
    for (const id of unknown) {
      expect(bare.get(id)!.share, id).toBeGreaterThan(0);
      expect(learned.get(id)!.here, id).toBeUndefined();
      expect(learned.get(id)!.share, id).toBeGreaterThanOrEqual(0.95 * bare.get(id)!.share);
    }
  });
  it('bring the ledger near to one that knows them', () => {
    const { catalogue, learned, trueRates } = studioCalibration(8, 60, 60, 11);
    expect(learned.firstRight).toBeGreaterThan(trueRates.firstRight - 0.035);
    expect(learned.firstRight).toBeGreaterThan(catalogue.firstRight - 0.01);
    expect(learned.leadingError).toBeLessThan(0.06);
  });
});

describe('an outcome that the next batch proposes', () => {
  const before = faulty({ mix: { stirMin: 0.7 } });
  const next = (patch: Record<string, unknown> = {}, changes = [{ cause: 'under-mixed', says: 'Stir for 2 min.' }]) =>
    soundBatch('house-clear-6', {
      code: 'B-2',
      mix: { stirMin: 2 },
      checks: [{ afterH: 24, symptoms: [], grade: 'pass' }],
      copiedFrom: { code: 'B-1', changes, symptom: 'tacky' },
      ...patch,
    });
  it('is the changed cause where the fault is gone, and its refutation where it stayed', () => {
    expect(proposedOutcome(CARD, before, next())).toMatchObject({
      batch: 'B-1',
      by: 'B-2',
      outcome: { symptom: 'tacky', cause: 'under-mixed', how: 'next-batch' },
    });
    expect(proposedOutcome(CARD, before, next())!.outcome.refuted).toBeUndefined();
    const stayed = next({ checks: [{ afterH: 24, symptoms: [{ kind: 'tacky', pattern: 'liquid', severity: 4 }] }] });
    expect(proposedOutcome(CARD, before, stayed)!.outcome.refuted).toBe(true);
  });
  it.each<[string, Record<string, unknown>]>([
    ['nobody looked at it', { checks: [] }],
    [
      'it is less, but there',
      { checks: [{ afterH: 24, symptoms: [{ kind: 'tacky', pattern: 'sticky-spots', severity: 1 }] }] },
    ],
    ['other things differ too', { pour: { tilted: false } }],
    ['another figure was put right too', { mix: { stirMin: 2, amountB: 100 } }],
    ['it was copied from another', { copiedFrom: { code: 'B-7', changes: [{ cause: 'under-mixed', says: 'x' }] } }],
    ['nothing was changed for a cause', { copiedFrom: { code: 'B-1', changes: [{ cause: null, says: 'x' }] } }],
    [
      'one casting was not looked at',
      { castings: [{ id: 'k1' }, { id: 'k2' }], checks: [{ afterH: 24, casting: 'k1', symptoms: [] }] },
    ],
  ])('is none where %s', (_why, patch) => {
    expect(proposedOutcome(CARD, before, next(patch))).toBeNull();
  });
  it('is none where two things were changed, where the change cannot be seen and it stayed, or where it is settled', () => {
    expect(
      proposedOutcome(
        CARD,
        before,
        next({}, [
          { cause: 'under-mixed', says: 'x' },
          { cause: 'ratio-off', says: 'y' },
        ]),
      ),
    ).toBeNull();
    const unseen = next({
      mix: { stirMin: 0.7 },
      checks: [{ afterH: 24, symptoms: [{ kind: 'tacky', pattern: 'liquid', severity: 4 }] }],
    });
    expect(proposedOutcome(CARD, before, unseen)).toBeNull();
    const known = faulty({ mix: { stirMin: 0.7 }, outcome: [outcome('under-mixed', { how: 'next-batch' })] });
    expect(proposedOutcome(CARD, known, next())).toBeNull();
  });
});
