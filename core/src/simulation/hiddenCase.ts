import { batchSchema, type Batch } from '../formats/batch';
import { CoreError } from '../formats/errors';
import type { Product } from '../formats/product';
import { PATTERNS_BY_SYMPTOM, SYMPTOM_KINDS, type CauseId, type SymptomKind } from '../formats/vocabulary';
import { recordFacts, type History, type SeenSymptom } from '../diagnosis/caseFacts';
import { CATALOGUE } from '../diagnosis/catalogue';
import type { Cause } from '../diagnosis/cause';
import { SOMETHING_ELSE_PRIOR, candidates } from '../diagnosis/ledger';
import { wordsIn } from '../units/wording';
import { workingTime } from '../cure/workingTime';
import type { Chance } from './chance';
import { saltmarshCard } from './saltmarshCards';
import type { FaultScene, InjectedChange, InjectedFault, Patch } from './injectedFault';
import { FAULTS_OF_CURING } from './faultsOfCuring';
import { FAULTS_OF_MIXING } from './faultsOfMixing';
import { FAULTS_OF_MOULD } from './faultsOfMould';
import { FAULTS_OF_SURFACE } from './faultsOfSurface';
import { withMistypes } from './mistypes';
import { overlay, soundBatch } from './soundBatch';

/** How each cause leaves its trace in a record. */
export const INJECTED_FAULTS: Partial<Record<CauseId, InjectedFault>> = {
  ...FAULTS_OF_MIXING,
  ...FAULTS_OF_CURING,
  ...FAULTS_OF_MOULD,
  ...FAULTS_OF_SURFACE,
};

/** A made-up batch with a fault, and the cause that nobody wrote down. */
export interface HiddenCase {
  readonly product: Product;
  readonly batch: Batch;
  readonly history: History;
  readonly seen: SeenSymptom;
  readonly cause: CauseId;
  /** The second cause, where two were at work. */
  readonly also: CauseId | null;
  /** What really was: the record before anybody left out, misread or mistyped anything. */
  readonly lived: Batch;
}

export interface HiddenCaseOptions {
  /** Share of recorded fields that nobody wrote down, at most. */
  readonly maxGaps?: number;
  /** How often any fault is made that is not what spoiled the piece. */
  readonly besideRate?: number;
  /** How many figures of each record are written ten times too large or too small. */
  readonly tenTimesOut?: number;
  /** Share of figures that were mistyped, and of yes and no that were mixed up. */
  readonly mistyped?: number;
  /** Share of fields nobody wrote down, the same for every record, instead of up to `maxGaps`. */
  readonly missing?: number;
  /** How much oftener than in the catalogue each cause happens in this studio; as often where it is not given. */
  readonly oftener?: ReadonlyMap<CauseId, number>;
  /** What is seen, where it is given; else any symptom and pattern. */
  readonly showing?: { readonly kind: SymptomKind; readonly pattern: string };
  /** The cause, where it is given: with it a symptom that it can make has to be given too. */
  readonly cause?: CauseId;
  /** Whether a second cause, able to make the same symptom, was at work too. */
  readonly two?: boolean;
  /** Cards that it may be made with; all of the studio's where none are named. */
  readonly slugs?: readonly string[];
}

const SLUGS = [
  'house-clear-6',
  'house-clear-6',
  'house-clear-6',
  'house-bone-3',
  'house-coat-9',
  'house-coat-9',
  'house-deep-40',
  'house-deep-40',
  'house-tide',
  'house-shell',
  'house-noon',
  'house-noon-white',
  'house-chalk',
  'house-mould-p',
  'house-mould-t',
];
const [MAX_GAPS, BESIDE_RATE] = [0.35, 0.03];
const LATE_KINDS: ReadonlySet<SymptomKind> = new Set(['yellowing', 'bulge', 'delamination', 'inclusion-change']);

/** Prior weight of a cause for what was seen in a product, as the ledger has it. */
const weightOf = (cause: Cause, card: Product, kind: SymptomKind, pattern: string) =>
  !cause.families || cause.families.includes(card.family)
    ? (cause.prior[kind]?.[pattern as 'unspecified'] ?? 0) * (cause.familyFactor?.[card.family] ?? 1)
    : 0;

/** What the fault itself shows was there: a layer below, something cast in. */
function contextOf(card: Product, kind: SymptomKind, pattern: string): Patch {
  const below = {
    layerBelow: {
      productSlug: card.slug,
      family: card.family,
      hoursSince: ((card.recoat?.fromMin ?? 60) + (card.recoat?.untilMin ?? 600)) / 120,
      sanded: true,
      wiped: true,
    },
  };
  return {
    ...(kind === 'delamination' || kind === 'bulge' ? below : {}),
    ...(kind === 'inclusion-change' || kind === 'bulge' || pattern === 'around-inclusion'
      ? {
          inclusions: [
            {
              what: 'oak offcut',
              kind: 'wood',
              moisturePct: 6,
              sealed: true,
              treated: false,
              laid: 'during',
              moved: true,
            },
          ],
        }
      : {}),
    ...(kind === 'colour'
      ? { additives: [{ name: 'amber dye', kind: 'dye', massG: 1, applied: 'mixed' }], mix: { stirAfterColourMin: 2 } }
      : {}),
  };
}

/** The small differences between any two days' work. */
function everyday({ chance, card }: FaultScene): Patch {
  const about = (low: number | null | undefined, high: number | null | undefined, otherwise: number) =>
    low != null && high != null ? chance.normal((low + high) / 2, (high - low) / 5) : otherwise;
  const roomC = about(card.room?.minC, card.room?.maxC, 21);
  const resinC = about(card.resin?.minC, card.resin?.maxC, 22);
  return {
    room: {
      temperatureC: roomC,
      humidityPct: Math.min(95, Math.max(30, chance.normal((card.room?.maxHumidityPct ?? 70) - 10, 6))),
    },
    cure: {
      temperatureC: roomC + chance.normal(0, 0.8),
      covered: chance.flip(0.8),
      ...(card.family === 'polyester' ? { film: card.waxed === true ? false : chance.flip(0.8) } : {}),
    },
    resin: {
      temperatureAC: resinC,
      temperatureBC: resinC + chance.normal(0, 0.5),
      atPourC: resinC + chance.normal(0.5, 0.7),
    },
    mix: {
      vigour: chance.flip(0.85) ? 'gentle' : 'brisk',
      scrapedWalls: chance.flip(0.85),
      secondCup: chance.flip(0.15),
      tool: chance.pick(['steel', 'plastic'] as const),
    },
    pour: {
      tilted: chance.flip(0.7),
      fast: chance.flip(0.12),
      scrapedCup: chance.flip(0.08),
      releaseMist: chance.flip(0.4),
      ...(chance.flip(0.4) ? { levelLostMm: 0 } : {}),
    },
    mould: {
      pulls: Math.round(chance.between(2, 45)),
      clean: chance.flip(0.9),
      ...(chance.flip(0.4) ? { sealed: chance.flip(0.85) } : {}),
      finish: chance.weighted(['gloss', 'satin'] as const, (v) => (v === 'gloss' ? 0.85 : 0.15)),
    },
    lotB: { colour: chance.flip(0.85) ? 'clear' : 'pale' },
  };
}

/** Leaves out what nobody wrote down: each figure by the same chance, never the product or the time. */
export function withGaps(batch: Batch, chance: Chance, share: number): Batch {
  const sections = [
    'lotA',
    'lotB',
    'room',
    'resin',
    'mix',
    'degas',
    'pour',
    'pressure',
    'mould',
    'cure',
    'layerBelow',
  ] as const;
  const patch: Patch = {};
  for (const section of sections) {
    const values: Record<string, unknown> = batch[section] ?? {};
    patch[section] =
      batch[section] == null
        ? batch[section]
        : Object.fromEntries(
            Object.entries(values).map(([k, v]) => [
              k,
              k !== 'family' && k !== 'productSlug' && chance.flip(share) ? null : v,
            ]),
          );
  }
  const lists: Patch = { ...(chance.flip(share) ? { additives: null } : {}) };
  return batchSchema.parse({ ...batch, ...patch, ...lists });
}

export function measuredWith(batch: Batch, chance: Chance): Batch {
  const blur = (key: string, v: unknown) => {
    if (typeof v !== 'number') return v;
    if (/C$/.test(key)) return v + chance.normal(0, 0.4);
    if (key === 'humidityPct') return Math.min(100, Math.max(0, v + chance.normal(0, 2)));
    return key === 'stirMin' || key === 'minutes' ? Math.max(0, v * chance.normal(1, 0.06)) : v;
  };
  const parsed: unknown = JSON.parse(JSON.stringify(batch), (key, v: unknown) => blur(key, v));
  return batchSchema.parse(parsed);
}

const SECTIONS_OF_FIGURES = ['room', 'resin', 'mix', 'degas', 'pour', 'pressure', 'mould', 'cure'] as const;

/**
 * One figure of the record with its point in the wrong place; the record
 * as it was where the format would refuse that.
 */
function withFigureTenTimesOut(batch: Batch, chance: Chance): Batch {
  const figures = SECTIONS_OF_FIGURES.flatMap((section) =>
    Object.entries(batch[section] ?? {}).flatMap(([key, v]) =>
      typeof v === 'number' && v !== 0 ? [{ section, key, v }] : [],
    ),
  );
  if (!figures.length) return batch;
  const { section, key, v } = chance.pick(figures);
  const injected = batchSchema.safeParse(overlay(batch, { [section]: { [key]: chance.flip(0.5) ? v * 10 : v / 10 } }));
  return injected.success ? injected.data : batch;
}

function sceneOf(
  chance: Chance,
  card: Product,
  kind: SymptomKind,
  pattern: string,
): { scene: FaultScene; base: Batch } {
  const totalG = Math.round(chance.between(60, 500));
  const base = soundBatch(card.slug, contextOf(card, kind, pattern), totalG);
  return {
    base,
    scene: {
      chance,
      card,
      seen: { kind, pattern },
      totalG,
      gelMin: workingTime(card, base).gelMin,
      startedAt: base.startedAt ?? '',
    },
  };
}

/** Causes a card and a symptom could have, with their prior weights; what is in no catalogue among them. */
export function couldBe(scene: FaultScene): { cause: CauseId; weight: number }[] {
  const { card, seen } = scene;
  return [
    ...CATALOGUE.map((c) => ({
      cause: c.id,
      weight: INJECTED_FAULTS[c.id] ? weightOf(c, card, seen.kind, seen.pattern) : 0,
    })).filter((c) => c.weight > 0),
    { cause: 'something-else', weight: SOMETHING_ELSE_PRIOR },
  ];
}

/** Mild faults beside the one that counted. */
function besides(scene: FaultScene, cause: CauseId, rate: number): Patch {
  return (Object.entries(INJECTED_FAULTS) as [CauseId, InjectedFault][])
    .filter(([id]) => id !== cause && scene.chance.flip(rate))
    .reduce<Patch>((all, [, fault]) => overlay(all, fault(scene)?.patch ?? {}), {});
}

/** Whether the catalogue holds the cause to be possible in this batch at all. */
const couldHappen = (cause: CauseId, card: Product, batch: Batch, seen: SeenSymptom): boolean =>
  cause === 'something-else' ||
  candidates({ ...recordFacts(card, batch, wordsIn()), seen }).some((c) => c.id === cause);

/** When a fault of a kind is seen, h: some only days later, the others at the first look. */
function seenAfterH(card: Product, kind: SymptomKind, chance: Chance): number {
  if (LATE_KINDS.has(kind)) return chance.between(30, 240);
  return Math.max(24, (card.demould?.minutes ?? 0) / 60) * chance.between(1, 2.5);
}

/** The record as somebody writes it: read off instruments, with gaps, and with what was written wrong. */
function writtenDown(
  batch: Batch,
  chance: Chance,
  { maxGaps = MAX_GAPS, tenTimesOut = 0, mistyped = 0, missing }: HiddenCaseOptions,
): Batch {
  let written = withGaps(measuredWith(batch, chance), chance, missing ?? chance.between(0, maxGaps));
  for (let i = 0; i < tenTimesOut; i += 1) written = withFigureTenTimesOut(written, chance);
  return mistyped > 0 ? withMistypes(written, chance, mistyped) : written;
}

function drawnSymptom(chance: Chance): { readonly kind: SymptomKind; readonly pattern: string } {
  const kind = chance.weighted(SYMPTOM_KINDS, (k) => PATTERNS_BY_SYMPTOM[k].length);
  return { kind, pattern: chance.pick<string>(PATTERNS_BY_SYMPTOM[kind]) };
}

/** What a cause changes in a scene; nothing for what no catalogue knows, null where it cannot happen. */
const injectedBy = (cause: CauseId, scene: FaultScene): InjectedChange | null =>
  cause === 'something-else' ? { patch: {} } : (INJECTED_FAULTS[cause]?.(scene) ?? null);

/** A second cause beside the first, by what it changes; null where there is none that can be. */
function secondBeside(
  scene: FaultScene,
  causes: readonly { readonly cause: CauseId; readonly weight: number }[],
  first: CauseId,
): (InjectedChange & { readonly cause: CauseId }) | null {
  const others = causes.filter((c) => c.cause !== first && c.cause !== 'something-else');
  if (others.length === 0) return null;
  const { cause } = scene.chance.weighted(others, (c) => c.weight);
  const injected = injectedBy(cause, scene);
  return injected && { ...injected, cause };
}

/** What went wrong: the one cause that is asked for or drawn, and a second where two are. Null where it cannot be. */
function wrongsOf(scene: FaultScene, options: HiddenCaseOptions): Wrongs | null {
  const causes = couldBe(scene);
  const asked = options.cause;
  if (causes.length < 2 || (asked !== undefined && !causes.some((c) => c.cause === asked))) return null;
  const cause = asked ?? scene.chance.weighted(causes, (c) => c.weight * (options.oftener?.get(c.cause) ?? 1)).cause;
  const injected = injectedBy(cause, scene);
  const second = options.two ? secondBeside(scene, causes, cause) : null;
  return injected && !(options.two && !second) ? { first: { ...injected, cause }, second } : null;
}

type Wrong = InjectedChange & { readonly cause: CauseId };
interface Wrongs {
  readonly first: Wrong;
  readonly second: Wrong | null;
}

/** One try at a case; null where what was drawn cannot be. */
function drawnCase(chance: Chance, options: HiddenCaseOptions): HiddenCase | null {
  const card = saltmarshCard(chance.pick(options.slugs ?? SLUGS));
  const { kind, pattern } = options.showing ?? drawnSymptom(chance);
  const { scene, base } = sceneOf(chance, card, kind, pattern);
  const wrongs = wrongsOf(scene, options);
  if (!wrongs) return null;
  const { first, second } = wrongs;
  const seen = { kind, pattern, afterH: first.afterH ?? seenAfterH(card, kind, chance) };
  const beside = besides(scene, first.cause, options.besideRate ?? BESIDE_RATE);
  const changes = [everyday(scene), beside, first.patch, second?.patch ?? {}];
  const checks = [{ afterH: seen.afterH, symptoms: [{ kind, pattern }] }];
  const whole = batchSchema.safeParse([...changes, { checks }].reduce<Patch>(overlay, base));
  const could = [first, second].every((w) => !w || !whole.success || couldHappen(w.cause, card, whole.data, seen));
  if (!whole.success || !could) return null;
  const batch = writtenDown(whole.data, chance, options);
  const history = { ...second?.history, ...first.history };
  return { product: card, batch, history, seen, cause: first.cause, also: second?.cause ?? null, lived: whole.data };
}

/**
 * One batch of the made-up studio with a fault whose cause is known to the maker alone: drawn as often as the catalogue
 * takes it to happen, its record with everyday spread, faults that did no harm, errors of measurement, and gaps.
 * @throws CoreError `out-of-range` where what is asked for cannot be
 */
export function hiddenCase(chance: Chance, options: HiddenCaseOptions = {}): HiddenCase {
  const most = options.showing ? MOST_TRIES_AT_ONE : MOST_TRIES;
  for (let tries = 0; tries < most; tries += 1) {
    const made = drawnCase(chance, options);
    if (made) return made;
  }
  throw new CoreError('out-of-range', 'No batch of these products could have this cause with what is seen.', 'cause');
}

/** A case is found within some dozen tries, one that shows what is asked for sooner; where none is then, none can be. */
const [MOST_TRIES, MOST_TRIES_AT_ONE] = [20_000, 120];
