/** ln Γ by Lanczos' series (g = 7, n = 9); right to 1e-13 for what is counted here. */
const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
  12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
];

/** ln Γ(x) for x above 0. */
export function lnGamma(x: number): number {
  const z = x - 1;
  const t = z + 7.5;
  let series = LANCZOS[0]!;
  for (let i = 1; i < LANCZOS.length; i += 1) series += LANCZOS[i]! / (z + i);
  return 0.5 * Math.log(2 * Math.PI) + (z + 0.5) * Math.log(t) - t + Math.log(series);
}

/** ln of the beta function, for both above 0. */
export const lnBeta = (a: number, b: number): number => lnGamma(a) + lnGamma(b) - lnGamma(a + b);
