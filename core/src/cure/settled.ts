import { bogackiShampineStep, type Step } from '../numeric/rungeKutta';

/** So near to where its heat balances, K, that the cup is taken as there. */
const SETTLED_K = 0.02;
/** Rounds of the fixed point; each takes at least four fifths of what is left, where the cup is near the room. */
const ROUNDS = 8;
/**
 * The most that a cup at balance may stand over its room to be followed
 * this way, K: above it a reaction may run away.
 */
const MAX_EXCESS_K = 2;

/** What a small or slow cup is followed by: its reaction, its room, and how fast it gives its heat away. */
export interface SlowCup {
  readonly ratePerMin: (alpha: number, temperatureC: number) => number;
  readonly riseK: number;
  readonly coolingPerMin: number;
  readonly roomC: number;
}

/** Where making and losing heat balance at a conversion, °C; null where the reaction is too hot for that. */
export function balanceC({ ratePerMin, riseK, coolingPerMin, roomC }: SlowCup, alpha: number): number | null {
  let temperature = roomC;
  for (let round = 0; round < ROUNDS; round += 1) {
    temperature = roomC + (riseK * ratePerMin(alpha, temperature)) / coolingPerMin;
    if (!(temperature - roomC < MAX_EXCESS_K)) return null;
  }
  return temperature;
}

/**
 * One step of a cup that gives its heat away far faster than it makes it: temperature is where the two balance, and
 * conversion alone is integrated, so that the step is as long as the reaction allows and not as the cooling does.
 * @returns null where the cup is not at balance, or would not stay within 0.02 K of it
 */
export function settledStep(cup: SlowCup, y: readonly number[], h: number): Step | null {
  const [alpha, temperatureC] = [y[0]!, y[1]!];
  const balance = balanceC(cup, alpha);
  if (balance === null || Math.abs(temperatureC - balance) > SETTLED_K) return null;
  const rate = ([a]: number[]) => [cup.ratePerMin(a!, balanceC(cup, a!) ?? temperatureC)];
  const step = bogackiShampineStep(rate, [alpha], rate([alpha]), h);
  const end = balanceC(cup, step.y[0]!);
  // What it lags behind is its change over the time that cooling takes.
  if (end === null || Math.abs(end - temperatureC) > SETTLED_K * h * cup.coolingPerMin) return null;
  return { y: [step.y[0]!, end], slope: [step.slope[0]!, (end - temperatureC) / h], error: [step.error[0]!, 0] };
}
