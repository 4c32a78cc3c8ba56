import type { Batch } from '../formats/batch';

/** The colour of a piece at one look, against its first and against an untouched sample in the same photo. */
export interface ColourLook {
  readonly afterH: number;
  readonly b: number;
  readonly yellownessIndex: number;
  readonly deltaB: number;
  readonly againstSample: number | null;
}

/** Δb* from which two people would see the difference side by side (about two just-noticeable steps). */
export const SEEN_DELTA_B = 2;

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;

/** The measured colour over time, oldest first; looks whose photos were not measured tell nothing. */
export function colourHistory(batch: Pick<Batch, 'checks'>): ColourLook[] {
  const looks = [...(batch.checks ?? [])]
    .sort((a, b) => a.afterH - b.afterH)
    .flatMap((c) => {
      const measured = (c.photos ?? []).flatMap((p) => p.colour ?? []);
      if (measured.length === 0) return [];
      const samples = measured.flatMap((m) => (m.againstSample == null ? [] : [m.againstSample]));
      return [
        {
          afterH: c.afterH,
          b: mean(measured.map((m) => m.b)),
          yellownessIndex: mean(measured.map((m) => m.yellownessIndex)),
          againstSample: samples.length ? mean(samples) : null,
        },
      ];
    });
  return looks.map((l) => ({ ...l, deltaB: l.b - looks[0]!.b }));
}

/** A look whose colour is yellower by what is seen, and than what: offered as a symptom, never written unasked. */
export interface Yellowed {
  readonly deltaB: number;
  readonly than: 'first-look' | 'sample';
}

/**
 * Whether the newest of some looks is yellower than the first, or than the untouched sample in its photo, by what two
 * people would see.
 * @param batch the looks, the one in question among them
 * @param afterH which look it is
 * @returns the larger of the two changes; null where neither is seen, or nothing was measured
 */
export function yellowedAt(batch: Pick<Batch, 'checks'>, afterH: number): Yellowed | null {
  const looks = colourHistory(batch);
  const own = looks.findLast((l) => l.afterH === afterH);
  if (!own) return null;
  const changes: Yellowed[] = [
    { deltaB: own === looks[0] ? 0 : own.deltaB, than: 'first-look' },
    { deltaB: own.againstSample ?? 0, than: 'sample' },
  ];
  const [most] = changes.sort((a, b) => b.deltaB - a.deltaB);
  return most && most.deltaB >= SEEN_DELTA_B ? most : null;
}

function changeWords(deltaB: number): string {
  if (Math.abs(deltaB) < SEEN_DELTA_B) return 'too little to be seen';
  return deltaB > 0 ? 'yellower, and seen side by side' : 'bluer, which light or a burnt-out card makes; measure again';
}

function sampleWords(againstSample: number | null): string {
  if (againstSample === null) return '';
  const way = againstSample >= 0 ? 'yellower' : 'bluer';
  return ` Against the untouched sample it is ${Math.abs(againstSample).toFixed(1)} b* ${way}.`;
}

/** The change of the last look in a sentence. */
export function colourSentence(looks: readonly ColourLook[]): string {
  const [first, last] = [looks[0], looks.at(-1)];
  if (!first || !last) return 'No colour was measured yet.';
  const sample = sampleWords(last.againstSample);
  if (looks.length === 1) {
    const figures = `b* ${first.b.toFixed(1)}, yellowness index ${first.yellownessIndex.toFixed(0)}`;
    return `${figures}; the next look tells whether it changes.${sample}`;
  }
  const sign = last.deltaB >= 0 ? '+' : '−';
  return `Δb* ${sign}${Math.abs(last.deltaB).toFixed(1)} since the first look: ${changeWords(last.deltaB)}.${sample}`;
}
