import type { SymptomKind, Touch } from '@warm-jar/core';

/** What each touch is called, and the symptom it is; nothing for what is sound. */
export const TOUCHED: readonly {
  readonly touch: Touch;
  readonly words: string;
  readonly how: string;
  readonly symptom: { readonly kind: SymptomKind; readonly pattern: string } | null;
}[] = [
  { touch: 'hard-and-dry', words: 'hard and dry', how: 'a thumbnail leaves nothing', symptom: null },
  {
    touch: 'dents',
    words: 'takes a dent',
    how: 'a thumbnail leaves a mark',
    symptom: { kind: 'soft', pattern: 'unspecified' },
  },
  {
    touch: 'bends',
    words: 'thin parts bend',
    how: 'thick ones are hard',
    symptom: { kind: 'soft', pattern: 'thin-sections' },
  },
  {
    touch: 'sticks',
    words: 'sticks',
    how: 'a gloved finger holds, nothing comes off',
    symptom: { kind: 'tacky', pattern: 'unspecified' },
  },
  { touch: 'wet', words: 'wet', how: 'resin comes off on the glove', symptom: { kind: 'tacky', pattern: 'liquid' } },
  {
    touch: 'greasy',
    words: 'greasy',
    how: 'hard, with a film that smears',
    symptom: { kind: 'tacky', pattern: 'greasy-film' },
  },
  {
    touch: 'rubs-off',
    words: 'colour rubs off',
    how: 'on a dry cloth',
    symptom: { kind: 'colour-rub-off', pattern: 'unspecified' },
  },
];

export const symptomOfTouch = (touch: Touch | null) => TOUCHED.find((t) => t.touch === touch)?.symptom ?? null;
