/** Minutes as a clock face at the bench: `4:07`, `1:02:30`; without a sign. */
export function countdown(minutes: number): string {
  const seconds = Math.max(0, Math.floor(minutes * 60 + 1e-6));
  const pad = (n: number) => String(n).padStart(2, '0');
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor((seconds % 3600) / 60), seconds % 60];
  return h > 0 ? `${h}:${pad(m)}:${pad(s)}` : `${m}:${pad(s)}`;
}
