import { candidates } from '../diagnosis/ledger';
import { causeTitle } from '../diagnosis/catalogue';
import type { Batch } from '../formats/batch';
import { BATCH_FIELDS } from '../formats/batchFields';
import { valueAt } from '../formats/documentPath';
import type { CastLook, DrillAnswer, DrillCase, DrillResult, DrillView } from '../formats/drill';
import type { CauseId } from '../formats/vocabulary';
import { sayField } from '../limits/fieldWords';
import { limitReadings } from '../limits/limitReadings';
import { wordsIn, type Say } from '../units/wording';
import { argue } from './argue';
import { drillAsks, drillTold, knownAfter } from './drillAsk';
import { drillFacts } from './drillCase';
import { drillMends, isRightMend } from './drillMends';
import { drillScore, wholeSpread, type Sureness } from './drillScore';
import { ledgerSpread, ledgerTakes } from './ledgerTrainee';
import { byText } from '../formats/byText';

/** Causes that a drill lets spread sureness over, by their titles; what is in no catalogue stands last. */
export function drillCauses(c: DrillCase): CauseId[] {
  const facts = drillFacts(c, { batch: c.batch, history: {} });
  const all = new Set<CauseId>([...candidates(facts).map((k) => k.id), ...c.truth]);
  all.delete('something-else');
  return [...[...all].sort((a, b) => byText(causeTitle(a), causeTitle(b))), 'something-else'];
}

/** Parts of a record that say nothing of a drill's batch, or that are told elsewhere. */
const NOT_TOLD = /^(?:code|startedAt|by|product|checks|note|format|castings|cups|bench|mends|outcome|quickTests)\b/;

/** What is written down beside what the card limits, in the order of the work. */
function otherFacts(batch: Batch, limited: ReadonlySet<string>, say: Say): DrillView['facts'] {
  const plain = BATCH_FIELDS.filter(({ path }) => !path.includes('[') && !NOT_TOLD.test(path) && !limited.has(path));
  const told = plain.flatMap(({ path, label, unit }) => {
    const value = valueAt(batch, path);
    if (value == null || typeof value === 'object') return [];
    const says =
      typeof value === 'number' && unit === 'g or mL' ? say(value, batch.mix?.unit ?? 'g') : sayField(path, value, say);
    return [{ field: path, label, says }];
  });
  const lists = [
    ...(batch.additives ?? []).map((a, i) => ({
      field: `additives[${i}]`,
      label: 'Mixed in',
      says: `${(a.name ?? a.kind ?? 'something').replaceAll('-', ' ')}${a.massG == null ? '' : `, ${say(a.massG, 'g')}`}`,
    })),
    ...(batch.inclusions ?? []).map((n, i) => ({
      field: `inclusions[${i}]`,
      label: 'Cast in',
      says: [
        n.what ?? n.kind ?? 'something',
        n.moisturePct == null ? null : `${say(n.moisturePct, '%')} of water`,
        n.sealed == null ? null : sealedWord(n.sealed),
        n.laid == null ? null : `laid in ${n.laid} the pour`,
        n.moved == null ? null : movedWord(n.moved),
      ]
        .filter((w) => w !== null)
        .join(', '),
    })),
  ];
  return [...told, ...lists];
}
const sealedWord = (sealed: boolean) => (sealed ? 'sealed' : 'not sealed');
const movedWord = (moved: boolean) => (moved ? 'moved under the resin' : 'not moved');

const castLook = ({ seed, product, batch }: DrillCase): CastLook => ({
  seed: Math.abs(seed) % 1_000_000,
  clarity: product.clarity ?? null,
  colours: (batch.additives ?? []).flatMap((a) => (a.name ? [a.name] : [])),
});

export interface DrillState {
  readonly id: string;
  readonly by: string | null;
  readonly asked: readonly string[];
  readonly result: DrillResult | null;
  readonly comesBack: string | null;
}

/**
 * A drill as its trainee sees it. What it was is told with the result only.
 * @param say wording of figures, in the units that people chose
 */
export function drillView(
  c: DrillCase,
  { id, by, asked, result, comesBack }: DrillState,
  say: Say = wordsIn(),
): DrillView {
  const { batch } = knownAfter(c, asked);
  const limits = limitReadings(c.product, batch, say).filter((r) => r.state !== 'not-stated');
  const told = drillTold(c, asked, say);
  const { slug, name, family } = c.product;
  return {
    id,
    level: c.level,
    by,
    product: { slug, name, family },
    seen: c.seen,
    cast: castLook(c),
    limits,
    facts: otherFacts(batch, new Set(limits.map((r) => r.field)), say),
    asks: result ? [] : drillAsks(c, asked, say),
    told,
    spentMin: told.reduce((sum, t) => sum + t.minutes, 0),
    causes: drillCauses(c).map((cause) => ({ id: cause, title: causeTitle(cause) })),
    mends: drillMends(c, say).map(({ id: mendId, steps, supplies }) => ({ id: mendId, steps, supplies })),
    result,
    comesBack,
  };
}

/** The cause a spread is surest of; null where nothing was said. */
function surestOf(spread: Sureness): CauseId | null {
  const [first] = [...spread].filter(([, share]) => share > 0).sort((a, b) => b[1] - a[1]);
  return first?.[0] ?? null;
}

/** The mend that the ledger leads to: that of the cause it is surest of. */
function ledgerMendRight(c: DrillCase, spread: Sureness): boolean {
  const lead = surestOf(new Map([...spread].filter(([id]) => id !== 'something-else')));
  return isRightMend(
    drillMends(c).find((m) => lead !== null && m.mends.includes(lead)),
    c.truth,
  );
}

/** What an answer was worth, by a proper rule, in minutes, by its mend, and against the ledger; with its argument. */
export function drillResult(
  c: DrillCase,
  asked: readonly string[],
  answer: DrillAnswer,
  say: Say = wordsIn(),
): DrillResult {
  const causes = drillCauses(c);
  const said = new Map(answer.shares.map(({ id, share }) => [id, share]));
  const mends = drillMends(c, say);
  const right = mends.find((m) => isRightMend(m, c.truth));
  const chosen = mends.find((m) => m.id === answer.mend);
  const best = ledgerTakes(c);
  const rounded = (score: number) => Math.round(score * 10) / 10;
  return {
    shares: [...wholeSpread(causes, said)].map(([id, share]) => ({ id, title: causeTitle(id), share })),
    truth: c.truth.map((id) => ({ id, title: causeTitle(id) })),
    score: rounded(drillScore(causes, said, c.truth)),
    minutes: drillTold(c, asked, say).reduce((sum, t) => sum + t.minutes, 0),
    mend:
      (right && {
        chosen: chosen?.id ?? '',
        right: right.id,
        isRight: isRightMend(chosen, c.truth),
      }) ||
      null,
    best: {
      minutes: best.minutes,
      score: rounded(drillScore(causes, best.spread, c.truth)),
      asked: drillTold(c, best.asked, say).map((t) => t.label),
      mendRight: ledgerMendRight(c, best.spread),
    },
    withSame: { score: rounded(drillScore(causes, ledgerSpread(c, asked), c.truth)) },
    steps: argue(c, asked, surestOf(said), say),
  };
}
