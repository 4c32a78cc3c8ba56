/** A number between −1 and 1 that belongs to a step: the same whenever it is asked, unlike its neighbours. */
export function noiseAt(step: number): number {
  let x = Math.imul(step ^ 0x9e3779b9, 0x85ebca6b);
  x = Math.imul(x ^ (x >>> 13), 0xc2b2ae35);
  return ((x ^ (x >>> 16)) >>> 0) / 2 ** 31 - 1;
}

/** Steps of a fifth of a second: how often an instrument's last digit flickers. */
export const flicker = (now: Date, salt: number): number => noiseAt(Math.floor(now.getTime() / 200) * 31 + salt);

export const toStep = (value: number, step: number): number => Number((Math.round(value / step) * step).toFixed(6));
