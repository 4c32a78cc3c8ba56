import { fitGelTimes, type GelFit } from '../cure/fitGelTimes';
import type { LotCard } from '../formats/lot';
import type { Mould } from '../formats/mould';
import type { Product } from '../formats/product';
import type { Grade } from '../formats/vocabulary';
import { castingFacts, type BatchFacts } from './batchFacts';
import type { CastFacts } from './castFacts';
import { castingCost, lotPrices, type PriceOf } from './castingCost';
import { designEffectOf } from './clusters';
import { grouped } from './grouped';
import { studioRates, type StudioRates } from '../outcomes/causeRates';
import { mouldLives, type MouldLife } from './mouldLife';
import { wilsonInterval, type RateInterval } from './wilsonInterval';
import { byText } from '../formats/byText';

/** Castings by how they ended, and what their resin cost. */
export interface Yield {
  readonly key: string;
  /** Castings, and the mixes they came from. */
  readonly castings: number;
  readonly batches: number;
  readonly grades: Readonly<Record<Grade, number>>;
  readonly open: number;
  /** Passed at once, of those graded. */
  readonly passed: RateInterval;
  /** Resin of those whose lots have a price, mending included; null where none has. */
  readonly cost: number | null;
  readonly lost: number | null;
  readonly priced: number;
  /** What those that passed are worth, and what seconds are or were sold for, by their prices; null without any. */
  readonly valuePassed: number | null;
  readonly valueSecond: number | null;
}

/** Castings that are seconds or scrap for one reason. */
export interface ReasonCount {
  readonly reason: string;
  readonly second: number;
  readonly scrap: number;
  /** Their resin, mending included; null where none of it has a price. */
  readonly cost: number | null;
}

/** Mean and spread of a figure. */
export interface Spread {
  readonly key: string;
  readonly n: number;
  readonly mean: number;
  readonly deviation: number | null;
}

export interface OwnGel {
  readonly slug: string;
  readonly name: string;
  readonly fit: GelFit;
  readonly says: string;
}

export interface StudioFigures {
  readonly gel: readonly OwnGel[];
  readonly cupLoss: readonly Spread[];
  readonly hollow: readonly Spread[];
  readonly yields: {
    readonly product: readonly Yield[];
    readonly mould: readonly Yield[];
    readonly cavity: readonly Yield[];
    readonly month: readonly Yield[];
  };
  readonly reasons: readonly ReasonCount[];
  readonly moulds: readonly MouldLife[];
  /** How often each cause turned out to be the one, against the catalogue. */
  readonly causes: StudioRates;
}

export interface FiguresScene {
  readonly facts: readonly BatchFacts[];
  readonly cards: readonly Product[];
  readonly lots: readonly LotCard[];
  readonly moulds: readonly Mould[];
}

/** Gel times fitted at once: the latest are most like the next, and more of them tell nothing new. */
const MAX_GEL_POINTS = 60;

const total = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);

function spreadOf(key: string, values: readonly number[]): Spread {
  const mean = total(values) / values.length;
  return {
    key,
    n: values.length,
    mean,
    deviation:
      values.length < 2 ? null : Math.sqrt(values.reduce((s, v) => s + (v - mean) ** 2, 0) / (values.length - 1)),
  };
}

/** What a casting says of yields, with what its resin cost: it is gone through by product, mould, cavity and month. */
interface Costed extends Pick<CastFacts, 'code' | 'casting' | 'grade' | 'price'> {
  readonly product: string | undefined;
  readonly mould: string | undefined;
  readonly cavity: string | undefined;
  readonly month: string | undefined;
  readonly cost: number | null;
}

const costedOf = (f: CastFacts, cost: number | null): Costed => ({
  code: f.code,
  casting: f.casting,
  grade: f.grade,
  price: f.price,
  product: f.levels.product,
  mould: f.levels.mould,
  cavity: f.levels.cavity,
  month: f.startedAt?.slice(0, 7),
  cost,
});

function yieldOf(key: string, costed: readonly Costed[]): Yield {
  const grades: Record<Grade, number> = { pass: 0, second: 0, scrap: 0, mend: 0 };
  let [priced, cost, lost] = [0, 0, 0];
  const graded = costed.filter((c) => c.grade !== null);
  const effect = designEffectOf(graded, (c) => c.grade === 'pass');
  const worth: Record<'pass' | 'second', number[]> = { pass: [], second: [] };
  const batches = new Set<string>();
  let last = '';
  for (const { code, grade, price, cost: own } of costed) {
    // Castings of one batch stand together mostly.
    if (code !== last) batches.add(code);
    last = code;
    if (grade !== null) grades[grade] += 1;
    if (price != null && (grade === 'pass' || grade === 'second')) worth[grade].push(price);
    if (own === null) continue;
    priced += 1;
    cost += own;
    if (grade === 'scrap') lost += own;
  }
  return {
    key,
    castings: costed.length,
    batches: batches.size,
    grades,
    open: costed.length - graded.length,
    passed: wilsonInterval(grades.pass / effect, graded.length / effect),
    cost: priced === 0 ? null : cost,
    lost: priced === 0 ? null : lost,
    priced,
    valuePassed: worth.pass.length === 0 ? null : total(worth.pass),
    valueSecond: worth.second.length === 0 ? null : total(worth.second),
  };
}

/** Why castings were no pass, the commonest first; a reason that nobody wrote down is no reason. */
function reasonsOf(castings: readonly CastFacts[], price: PriceOf): ReasonCount[] {
  const lesser = castings.filter((f) => (f.grade === 'second' || f.grade === 'scrap') && f.reason);
  return grouped(lesser, (f) => f.reason!.trim().toLowerCase())
    .map(([, some]) => {
      const costs = some.flatMap((f) => castingCost(f, price) ?? []);
      return {
        reason: some[0]!.reason!.trim(),
        second: some.filter((f) => f.grade === 'second').length,
        scrap: some.filter((f) => f.grade === 'scrap').length,
        cost: costs.length === 0 ? null : total(costs),
      };
    })
    .sort((a, b) => b.second + b.scrap - (a.second + a.scrap) || byText(a.reason, b.reason));
}

const NOT_FITTED: Record<Exclude<GelFit['status'], 'fitted'>, (points: number) => string> = {
  'at-bound': () => 'No rate that a resin can have explains these gel times.',
  'too-few': (points) => `${points} gel times logged; three tell something. Time the witness cup.`,
  'too-close': (points) => `${points} gel times, all within 5 K: a colder or warmer one would tell.`,
  'no-kinetics': () => 'No kinetics are known for this family.',
  'no-pot-life': () => 'The card states neither pot life nor gel.',
  'did-not-converge': () => 'The gel times do not fit one curve.',
};

type Witness = CastFacts & { readonly gel: NonNullable<CastFacts['gel']> };

function oddWords(fit: GelFit, cups: readonly Witness[]): string {
  const odd = 'odd' in fit && fit.odd !== null ? cups[fit.odd] : undefined;
  if (odd)
    return ` ${odd.code}, ${odd.gel.minutes} min at ${odd.gel.resinC} °C, stands apart: look whether it is mistyped.`;
  return fit.status === 'at-bound' || fit.status === 'did-not-converge' ? ' Look for a mistyped one.' : '';
}

function offWords(offPct: number): string {
  if (Math.abs(offPct) < 1) return 'as the card says';
  return `${Math.abs(offPct).toFixed(0)} % ${offPct > 0 ? 'slower' : 'faster'} than the card`;
}

/**
 * Minutes to a gel as a witness cup can tell them: tenths below 100 min, whole ones above.
 * @example gelFigure(268.46) // '268'
 */
export const gelFigure = (minutes: number): string => minutes.toFixed(minutes < 99.95 ? 1 : 0);

function gelWords(product: Product, fit: GelFit, cups: readonly Witness[]): string {
  const odd = oddWords(fit, cups);
  if (fit.status !== 'fitted') return NOT_FITTED[fit.status](fit.points) + odd;
  const [low, high] = fit.interval;
  const figure = `Gels in ${gelFigure(fit.gelMin)} min (${gelFigure(low)}–${gelFigure(high)})`;
  const against = `${offWords(fit.offPct)} (${gelFigure(fit.cardGelMin)} min)`;
  return `${figure} at ${product.name}'s own temperature and mass, ${against}, by ${fit.points} witness cups.${odd}`;
}

/** Fits remembered: a batch of one product leaves those of the others as they were. */
const MOST_FITS = 60;
const fits = new Map<string, GelFit>();

/** A fit of the same card to the same cups, worked out once; a card and its cups come as other copies each time. */
function rememberedFit(product: Product, points: readonly Witness['gel'][]): GelFit {
  const key = JSON.stringify([product, points]);
  const fit = fits.get(key) ?? fitGelTimes(product, points);
  // The one that was not asked for the longest makes room.
  fits.delete(key);
  fits.set(key, fit);
  if (fits.size > MOST_FITS) fits.delete(fits.keys().next().value!);
  return fit;
}

/** The studio's own gel times of a product, fitted beside the card's and never over it. */
export function ownGel(product: Product, facts: readonly CastFacts[]): OwnGel {
  const cups = facts
    .filter((f): f is Witness => f.levels.product === product.slug && f.gel !== null)
    .sort((a, b) => byText(a.startedAt ?? '', b.startedAt ?? ''))
    .slice(-MAX_GEL_POINTS);
  const fit = rememberedFit(
    product,
    cups.map((f) => f.gel),
  );
  return { slug: product.slug, name: product.name, fit, says: gelWords(product, fit, cups) };
}

/** Everything a studio's own log says in figures. */
export function studioFigures(
  { facts, cards, lots, moulds }: FiguresScene,
  onProgress: (share: number) => void = () => undefined,
): StudioFigures {
  const price = lotPrices(lots);
  const castings = castingFacts(facts);
  const costed = castings.map((f) => costedOf(f, castingCost(f, price)));
  const named = (by: 'product' | 'mould' | 'cavity' | 'month') =>
    grouped(costed, (c) => c[by]).map(([key, some]) => yieldOf(key, some));
  const cups = new Map(
    grouped(
      facts.filter((f) => f.gel !== null),
      (f) => f.levels.product,
    ),
  );
  const gel = cards
    .map((card, i) => {
      const own = ownGel(card, cups.get(card.slug) ?? []);
      onProgress((0.8 * (i + 1)) / cards.length);
      return own;
    })
    .filter((g) => g.fit.points > 0 && g.fit.status !== 'no-kinetics' && g.fit.status !== 'no-pot-life');
  const losses = grouped(
    facts.filter((f) => f.leftG !== null && f.massG),
    (f) => f.levels.product,
  ).map(([key, some]) =>
    spreadOf(
      key,
      some.map((f) => (100 * f.leftG!) / f.massG!),
    ),
  );
  const hollow = new Set(moulds.filter((m) => m.hollow).map((m) => m.code));
  const casts = grouped(
    facts.filter((f) => f.massG !== null && f.levels.mould !== undefined && hollow.has(f.levels.mould)),
    (f) => f.levels.mould,
  ).map(([key, some]) =>
    spreadOf(
      key,
      some.map((f) => f.massG! - (f.leftG ?? 0)),
    ),
  );
  const figures = {
    gel,
    cupLoss: losses,
    hollow: casts,
    yields: {
      product: named('product'),
      mould: named('mould'),
      cavity: named('cavity'),
      month: named('month'),
    },
    reasons: reasonsOf(castings, price),
    moulds: mouldLives(castings),
    causes: studioRates(facts.flatMap((f) => f.settled ?? [])),
  };
  onProgress(1);
  return figures;
}
