import { isGiven } from '../diagnosis/given';
import { EVIDENCE_SCALE } from '../diagnosis/ledger';
import { QUESTIONS } from '../diagnosis/questions';
import type { QuickTest, TestOutcome } from '../diagnosis/quickTest';
import { QUICK_TESTS, recordedOutcome } from '../diagnosis/quickTests';
import { likelihoodRatio } from '../diagnosis/weight';
import type { History } from '../diagnosis/caseFacts';
import type { Additive, Batch } from '../formats/batch';
import { valueAt, withValue, type Tree } from '../formats/documentPath';
import type { DrillAsk, DrillCase, DrillTold } from '../formats/drill';
import { askLabel, fieldLabel } from '../limits/fieldLabels';
import { sayField } from '../limits/fieldWords';
import { chanceApart } from '../simulation/chance';
import { wordsIn, type Say } from '../units/wording';
import { drillFacts } from './drillCase';

/** What asking somebody costs, what reading one figure again does, and what leafing through the log does, min. */
const [ASK_MIN, AGAIN_MIN, PAST_MIN] = [1, 1, 2];
const PAST = 'past';

/** Fields that are told together, for one says nothing without the others. */
const TOGETHER: Readonly<Record<string, readonly string[]>> = {
  'mix.amountB': ['mix.amountA', 'mix.amountB', 'mix.unit'],
  'lotA.openedOn': ['lotA.openedOn', 'lotA.useBy'],
  'lotB.openedOn': ['lotB.openedOn', 'lotB.useBy'],
};
const pathsOf = (field: string) => TOGETHER[field] ?? [field];

/** Parts of the record whose figures and answers can be read again. */
const READ_AGAIN = ['room', 'resin', 'mix', 'degas', 'pour', 'pressure', 'mould', 'cure', 'layerBelow'] as const;
/** A question of which the drill has no answer: it would take a day more. */
const NOT_HERE: ReadonlySet<string> = new Set(['checks[].shore']);

/** What is known of a batch when some things have been asked. */
export interface Known {
  readonly batch: Batch;
  readonly history: History;
}

type Parted = { readonly kind: DrillAsk['kind']; readonly of: string };

function parted(id: string): Parted {
  if (id === PAST) return { kind: 'past', of: '' };
  const [kind, of] = [id.slice(0, id.indexOf(':')), id.slice(id.indexOf(':') + 1)];
  return { kind: kind as DrillAsk['kind'], of };
}

/** How often a test comes out so, for causes that are at work together alike. */
function weightUnder({ base, points }: TestOutcome, truth: DrillCase['truth']): number {
  const mean = truth.reduce((sum, id) => sum + (points[id] ?? 0), 0) / truth.length;
  return base * likelihoodRatio(EVIDENCE_SCALE * mean);
}

/** What is known of how a test must come out, by what really was; null where only chance says. */
function settled({ id }: QuickTest, { lived, history }: DrillCase): string | null {
  if (id === 'last-pulls' && history.sameSpot != null) return 'there-too';
  const colour = lived.lotB?.colour;
  if (id !== 'hardener-glass' || colour == null) return null;
  return colour === 'clear' || colour === 'pale' ? 'clear' : 'amber';
}

/** How a quick test comes out on a drill's cast: always the same way for the same drill. */
export function testOutcome(test: QuickTest, c: DrillCase): TestOutcome {
  const known = test.outcomes.find((o) => o.id === settled(test, c));
  if (known) return known;
  // Only isocyanate foams with damp.
  const possible = test.outcomes.filter((o) => o.id !== 'foams' || c.product.family === 'polyurethane');
  const chance = chanceApart(c.seed, 1 + QUICK_TESTS.indexOf(test));
  return chance.weighted(possible, (o) => weightUnder(o, c.truth));
}

/** A record with a field as it really was. */
function withTruth(batch: Batch, lived: Batch, field: string): Batch {
  return pathsOf(field).reduce<Batch>(
    (b, path) => withValue(b as Tree, path, valueAt(lived, path) ?? null) as unknown as Batch,
    batch,
  );
}

/** What is known once these were asked, in their order. */
export function knownAfter(c: DrillCase, asked: readonly string[]): Known {
  return asked.reduce<Known>(
    ({ batch, history }, id) => {
      const { kind, of } = parted(id);
      if (kind === 'past') return { batch, history: c.history };
      if (kind !== 'test') return { batch: withTruth(batch, c.lived, of), history };
      const test = QUICK_TESTS.find((t) => t.id === of);
      if (!test) return { batch, history };
      const made = { test: test.id, outcome: testOutcome(test, c).id };
      return { batch: { ...batch, quickTests: [...(batch.quickTests ?? []), made] }, history };
    },
    { batch: c.batch, history: {} },
  );
}

const asking = (
  kind: DrillAsk['kind'],
  of: string,
  told: Pick<DrillAsk, 'label' | 'why' | 'minutes'> & Partial<DrillAsk>,
): DrillAsk => ({
  id: kind === 'past' ? PAST : `${kind}:${of}`,
  kind,
  field: kind === 'field' || kind === 'again' ? of : null,
  how: null,
  caution: null,
  ...told,
});

function againAsks(batch: Batch, asked: ReadonlySet<string>): DrillAsk[] {
  return READ_AGAIN.flatMap((section) =>
    Object.entries(batch[section] ?? {}).flatMap(([key, value]) => {
      const field = `${section}.${key}`;
      const known = asked.has(`field:${field}`);
      if (known || key === 'amountA' || (typeof value !== 'number' && typeof value !== 'boolean')) return [];
      return [
        asking('again', field, {
          label: fieldLabel(field),
          why: 'Go back to the instrument, the label or the person.',
          minutes: AGAIN_MIN,
        }),
      ];
    }),
  );
}

/** All that can be asked of a drill when some was asked already; in no order that tells what is worth it. */
export function drillAsks(c: DrillCase, asked: readonly string[], say: Say = wordsIn()): DrillAsk[] {
  const known = knownAfter(c, asked);
  const facts = drillFacts(c, known, say);
  const done = new Set(asked);
  const fields = QUESTIONS.filter(
    (q) => !NOT_HERE.has(q.field) && !isGiven(facts, q.field) && q.outcomes(facts.product, facts.batch) !== null,
  ).map((q) => asking('field', q.field, { label: askLabel(q.field), why: q.why, minutes: ASK_MIN }));
  const tests = QUICK_TESTS.filter((t) => t.fits(facts) && !recordedOutcome(facts, t)).map((t) =>
    asking('test', t.id, {
      label: t.title,
      why: t.why,
      minutes: t.effortMin(facts),
      how: t.how,
      caution: t.caution,
    }),
  );
  const past = asking('past', '', {
    label: 'What the log says of its mould and inclusions',
    why: 'Whether the same place or the same inclusion failed before.',
    minutes: PAST_MIN,
  });
  return [...fields, ...tests, past, ...againAsks(facts.batch, done)].filter((a) => !done.has(a.id));
}

const additiveWords = (all: readonly Additive[], say: Say) =>
  all.map((a) => `${a.name ?? a.kind ?? 'something'}${a.massG == null ? '' : ` ${say(a.massG, 'g')}`}`).join(', ') ||
  'none';

const NOBODY = 'Nobody knows.';

/** What somebody answers of a field. */
function fieldSays(lived: Batch, field: string, say: Say): string {
  if (field === 'additives') return lived.additives == null ? NOBODY : additiveWords(lived.additives, say);
  if (field === 'mix.amountB' && lived.mix?.amountA != null && lived.mix.amountB != null) {
    const unit = lived.mix.unit ?? 'g';
    return `A ${say(lived.mix.amountA, unit)}, B ${say(lived.mix.amountB, unit)}`;
  }
  const value = valueAt(lived, field);
  return value == null ? NOBODY : sayField(field, value, say);
}

function pastSays({ sameSpot, pairs }: History): string {
  const told = [
    ...(sameSpot == null ? [] : [`The same place failed in ${sameSpot.times} of its last ${sameSpot.pulls} pulls.`]),
    ...(pairs ?? []).map((p) => `${p.inclusion} in ${p.productSlug} came out ${p.outcome} before.`),
  ];
  return told.length > 0 ? told.join(' ') : 'Nothing like it in earlier batches.';
}

const askWord = (kind: DrillAsk['kind'], label: string) => (kind === 'again' ? `${label}, read again` : label);

/**
 * What came of asking, in the order in which it was asked. What is not there to be asked is left out.
 * @param asked ids as `drillAsks` gives them
 */
export function drillTold(c: DrillCase, asked: readonly string[], say: Say = wordsIn()): DrillTold[] {
  return asked.flatMap((id, i) => {
    const before = asked.slice(0, i);
    const ask = drillAsks(c, before, say).find((a) => a.id === id);
    if (!ask) return [];
    return [{ id, label: askWord(ask.kind, ask.label), says: saidOf(c, id, say), minutes: ask.minutes }];
  });
}

function saidOf(c: DrillCase, id: string, say: Say): string {
  const { kind, of } = parted(id);
  if (kind === 'past') return pastSays(c.history);
  if (kind !== 'test') return fieldSays(c.lived, of, say);
  const test = QUICK_TESTS.find((t) => t.id === of);
  return test ? testOutcome(test, c).words : NOBODY;
}
