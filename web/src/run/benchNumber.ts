import { moreOf, planOf, toppingUpG, weightParts, type Batch, type Plan, type Product } from '@warm-jar/core';

/** What is being weighed now and how much of it; null target where nothing says. */
export interface WeighTarget {
  readonly name: string;
  /** What is to be poured now. */
  readonly targetG: number | null;
  /** What is in already, where the mix was made more and this is what goes on top of it. */
  readonly inG?: number;
}

const targetOfA = (batch: Batch, plan: Plan | null) => moreOf(batch)?.massAG ?? plan?.partA.massG ?? null;

/** Target of part A by the plan, or as it was made more; of part B by what A really was. */
function wholeTarget(product: Product, batch: Batch, part: 'A' | 'B'): WeighTarget {
  const plan = planOf(batch);
  const { catalyst, powder } = product.ratio;
  if (part === 'A') return { name: powder ? 'Liquid' : 'A', targetG: targetOfA(batch, plan) };
  const a = batch.mix?.amountA ?? null;
  if (catalyst) return { name: 'Catalyst', targetG: doseG(a, plan?.catalystPct ?? catalyst.typicalPct ?? null) };
  return { name: powder ? 'Powder' : 'B', targetG: otherPartG(product, a) ?? plan?.partB.massG ?? null };
}

/** What is to be poured of a part now: all of it, or what is missing to what the mix was made more to. */
export function weighTarget(product: Product, batch: Batch, part: 'A' | 'B'): WeighTarget {
  const whole = wholeTarget(product, batch, part);
  const inG = toppingUpG(batch, part);
  if (inG === null) return whole;
  const targetG = whole.targetG === null ? null : Math.max(0, whole.targetG - inG);
  return { ...whole, targetG, inG };
}

/** B to what A really was; null where A was not weighed or the card has no ratio by weight. */
function otherPartG(product: Product, a: number | null): number | null {
  const parts = weightParts(product);
  return a === null || !parts ? null : (a * parts.b) / parts.a;
}

const doseG = (a: number | null, pct: number | null) => (a === null || pct === null ? null : (a * pct) / 100);

/** The last tenth of a weighing takes up two fifths of its bar: there the hand has to slow. */
const [FINE_FROM, FINE_AT, FULL_AT] = [0.9, 0.55, 0.95];

/** How far the bar of a weighing has come, 0 to 1; the target lies at 0.95, past it is over. */
export function barShare(netG: number, targetG: number): number {
  const share = targetG > 0 ? Math.max(0, netG / targetG) : 0;
  if (share <= FINE_FROM) return (share / FINE_FROM) * FINE_AT;
  if (share <= 1) return FINE_AT + ((share - FINE_FROM) / (1 - FINE_FROM)) * (FULL_AT - FINE_AT);
  return Math.min(1, FULL_AT + (share - 1) * (1 - FULL_AT) * 20);
}

export type Cue = 'pour' | 'slow' | 'drops' | 'there' | 'over';
/** What the hand should do: a step of the scale, or a three-hundredth, is there. */
export function cueOf(netG: number, targetG: number, stepG: number): Cue {
  const near = Math.max(stepG, targetG / 300);
  if (netG > targetG + near) return 'over';
  if (netG >= targetG - near) return 'there';
  if (netG > targetG * 0.97) return 'drops';
  return netG > targetG * 0.85 ? 'slow' : 'pour';
}

/** When each thing has to be over, minutes since the parts met. */
export interface Deadlines {
  readonly pourByMin: number | null;
  readonly pressureByMin: number | null;
}

/** Pour by and at pressure by: pot life, less what is still to be done after the pour. */
export function deadlines(
  plan: Plan | null,
  potLifeEndsMin: number | null,
  gelsMin: number | null,
  pressed: boolean,
): Deadlines {
  const length = (what: string) => {
    const s = plan?.timeline.find((t) => t.what === what);
    return s ? s.toMin - s.fromMin : 0;
  };
  const after = pressed ? length('load') + length('pressurise') : 0;
  const byGel = gelsMin === null ? potLifeEndsMin : gelsMin;
  const pourBy = potLifeEndsMin === null ? null : Math.min(potLifeEndsMin, (byGel ?? Infinity) - after);
  return { pourByMin: pourBy, pressureByMin: pressed ? byGel : null };
}
