import { binomialAtLeast } from './binomial';
import { byText } from '../formats/byText';

/** A fault's place on a cavity's outline, in shares of its width and height, and the batch it was seen on. */
export interface SpotMark {
  readonly x: number;
  readonly y: number;
  readonly batch: string;
  readonly kind?: string | null | undefined;
}

/** Marks that lie on one place of the mould, over its pulls. */
export interface Spot {
  readonly x: number;
  readonly y: number;
  /** Batches, each counted once, in which a fault was marked here. */
  readonly batches: readonly string[];
  readonly pulls: number;
  /** Chance of so many or more here, were faults to fall anywhere alike: binomial, times the places there are. */
  readonly byChance: number;
  readonly verdict: 'mould' | 'chance' | 'cannot-tell';
  readonly says: string;
}

/** Two marks nearer than this, in shares of the outline, are one place: about a thumb on a hand-sized cast. */
export const SAME_PLACE = 0.09;
/** Share of an outline that such a place takes. */
const PLACE_SHARE = Math.PI * SAME_PLACE ** 2;
/** How many such places there are to look at, so that finding one somewhere is not taken for finding it there. */
const PLACES = Math.round(1 / PLACE_SHARE);
/** Below this chance the mould is named; above the other, chance. */
const [RARE, COMMON] = [0.01, 0.2];
/** Fewer marked pulls than this are no pattern, however near they lie. */
const MIN_PULLS = 2;

const near = (a: { x: number; y: number }, b: { x: number; y: number }) =>
  Math.hypot(a.x - b.x, a.y - b.y) <= SAME_PLACE;
const meanOf = (marks: readonly SpotMark[]) => ({
  x: marks.reduce((s, m) => s + m.x, 0) / marks.length,
  y: marks.reduce((s, m) => s + m.y, 0) / marks.length,
});

/**
 * Marks gathered around the densest places first, each mark in one gathering; the order they come in does not matter.
 */
export function gatherMarks(marks: readonly SpotMark[]): SpotMark[][] {
  let left = [...marks].sort((a, b) => a.x - b.x || a.y - b.y || byText(a.batch, b.batch));
  const gathered: SpotMark[][] = [];
  while (left.length > 0) {
    const around = (m: SpotMark) => left.filter((other) => near(m, other));
    const densest = left.map(around).reduce((best, g) => (g.length > best.length ? g : best));
    // Once more around their middle, so that a mark at the rim does not lead the gathering.
    const middle = meanOf(densest);
    const taken = left.filter((m) => near(middle, m));
    gathered.push(taken);
    left = left.filter((m) => !taken.includes(m));
  }
  return gathered;
}

/** How often a place failed over a mould's pulls, judged against chance. */
export interface SpotJudgement {
  readonly byChance: number;
  readonly verdict: Spot['verdict'];
  readonly says: string;
}

function spotWords(times: number, pulls: number, byChance: number, verdict: Spot['verdict']): string {
  const share = `${times} of ${pulls} pulls`;
  const rare = byChance < 0.001 ? 'less than once in a thousand' : null;
  const odds = `${Math.round(byChance * 1000) / 10} %`;
  if (verdict === 'mould') return `Here in ${share}; chance would do that ${rare ?? `in ${odds}`}. It is the mould.`;
  if (verdict === 'chance') return `Here in ${share}; chance does that often (${odds}).`;
  return times < MIN_PULLS
    ? `Here once in ${pulls} pulls; one says nothing.`
    : `Here in ${share}; chance would do that in ${rare ?? odds}. Mark the next pulls too.`;
}

function verdictBy(byChance: number): SpotJudgement['verdict'] {
  if (byChance < RARE) return 'mould';
  return byChance > COMMON ? 'chance' : 'cannot-tell';
}

/**
 * One judgement for the mould's page and for the diagnosis: the binomial chance of so many failures at one place.
 * @param times pulls in which this place failed
 * @param pulls pulls that were looked at
 * @param elsewhere faults on other places of the same outline
 */
export function judgeSpot(times: number, pulls: number, elsewhere = 0): SpotJudgement {
  // A spot's chance elsewhere: the marks that fell on other places, spread
  // over them; half a mark where there were none.
  const chance = Math.min(1, ((elsewhere + 0.5) / Math.max(1, pulls)) * (PLACE_SHARE / (1 - PLACE_SHARE)));
  const byChance = Math.min(1, PLACES * binomialAtLeast(times, Math.max(pulls, times), chance));
  const verdict = times < MIN_PULLS ? 'cannot-tell' : verdictBy(byChance);
  return { byChance, verdict, says: spotWords(times, pulls, byChance, verdict) };
}

function judged(gathering: readonly SpotMark[], marks: readonly SpotMark[], pulls: number): Spot {
  const batches = [...new Set(gathering.map((m) => m.batch))].sort();
  const judgement = judgeSpot(batches.length, pulls, marks.length - gathering.length);
  return { ...meanOf(gathering), batches, pulls, ...judgement };
}

/**
 * Places of a mould's outline at which faults recur over its pulls, the least likely by chance first.
 * @param marks faults with their place; several on one batch and place count once
 * @param pulls pulls in which faults were looked for
 */
export function sameSpots(marks: readonly SpotMark[], pulls: number): Spot[] {
  return gatherMarks(marks)
    .map((g) => judged(g, marks, pulls))
    .sort((a, b) => a.byChance - b.byChance || b.batches.length - a.batches.length);
}
