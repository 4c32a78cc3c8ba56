/** The unit a stretch of minutes reads best in on an axis. */
export function timeScale(minutes: number): { readonly unit: string; readonly per: number } {
  if (minutes > 3 * 1440) return { unit: 'days', per: 1440 };
  return minutes > 240 ? { unit: 'hours', per: 60 } : { unit: 'minutes', per: 1 };
}

/** Round numbers from nought to `end`, at most about `most` of them. */
export function roundTicks(end: number, most = 7): number[] {
  if (end <= 0) return [0];
  const ten = 10 ** Math.floor(Math.log10(end / most));
  const step = [1, 2, 5, 10].map((s) => s * ten).find((s) => end / s <= most) ?? 10 * ten;
  return Array.from({ length: Math.floor(end / step + 1e-9) + 1 }, (_, i) => Number((i * step).toPrecision(6)));
}
