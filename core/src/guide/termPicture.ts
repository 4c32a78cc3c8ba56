import { arrheniusFactor } from '../cure/arrhenius';
import { boyleDiameterRatio } from '../air/boyle';

/** A drawing that goes with a term, as figures to be drawn by any screen or page. */
export type TermPicture = { readonly alt: string } & (
  | {
      readonly kind: 'curve';
      readonly x: Axis;
      readonly y: Axis;
      readonly points: readonly (readonly [x: number, y: number])[];
      readonly marks: readonly { readonly x: number; readonly y: number; readonly words: string }[];
    }
  | { readonly kind: 'order'; readonly steps: readonly string[] }
  | {
      readonly kind: 'band';
      readonly from: number;
      readonly to: number;
      readonly low: number;
      readonly high: number;
      readonly marks: readonly { readonly at: number; readonly words: string }[];
    }
  | {
      readonly kind: 'bars';
      readonly bars: readonly { readonly words: string; readonly a: number; readonly b: number }[];
    }
  | { readonly kind: 'dots'; readonly dots: readonly { readonly words: string; readonly share: number }[] }
);

interface Axis {
  readonly words: string;
  readonly from: number;
  readonly to: number;
}

const EPOXY_KJ_PER_MOL = 55;
const [CARD_MIN, CARD_C] = [40, 23];

/** A pot life of 40 min at 23 °C at another temperature, by Arrhenius alone (the cup's own warmth left out), min. */
const potLifeAt = (celsius: number) => CARD_MIN / arrheniusFactor(EPOXY_KJ_PER_MOL, celsius, CARD_C);

const inMinutes = (celsius: number) => Math.round(potLifeAt(celsius));

const steps = (from: number, to: number, by: number) =>
  Array.from({ length: Math.round((to - from) / by) + 1 }, (_, at) => from + at * by);

/** Pot life against warmth. */
export const POT_LIFE_PICTURE: TermPicture = {
  kind: 'curve',
  alt: `Pot life against temperature: ${CARD_MIN} minutes at ${CARD_C} °C become about ${inMinutes(16)} at 16 °C and ${inMinutes(30)} at 30 °C.`,
  x: { words: 'resin, °C', from: 14, to: 32 },
  y: { words: 'pot life, min', from: 0, to: 90 },
  points: steps(14, 32, 1).map((c) => [c, potLifeAt(c)] as const),
  marks: [{ x: CARD_C, y: CARD_MIN, words: 'the card' }],
};

const [FULL_SHORE, HALF_WAY_H] = [80, 14];
/** Hardness against hours, as a curve that levels out. */
export const HARDNESS_PICTURE: TermPicture = {
  kind: 'curve',
  alt: 'Hardness rises steeply in the first day and levels out over a week; the bond window ends while it still rises.',
  x: { words: 'hours', from: 0, to: 120 },
  y: { words: 'Shore D', from: 0, to: 90 },
  points: steps(0, 120, 4).map((h) => [h, FULL_SHORE * (1 - Math.exp(-h / HALF_WAY_H))] as const),
  marks: [
    { x: 8, y: FULL_SHORE * (1 - Math.exp(-8 / HALF_WAY_H)), words: 'next layer bonds' },
    { x: 120, y: FULL_SHORE, words: 'full cure' },
  ],
};

export const CURE_ORDER_PICTURE: TermPicture = {
  kind: 'order',
  alt: 'In this order: pot life ends, it gels, it is free of tack, it comes out of the mould, it is fully cured.',
  steps: ['parts meet', 'pot life ends', 'gel', 'tack-free', 'demould', 'full cure'],
};

export const LIMIT_PICTURE: TermPicture = {
  kind: 'band',
  alt: 'A strip with the card’s band from 19 to 27 °C: 17.5 lies below it, 19.5 near its edge, 23 inside.',
  from: 15,
  to: 31,
  low: 19,
  high: 27,
  marks: [
    { at: 17.5, words: 'below' },
    { at: 19.5, words: 'near' },
    { at: 23, words: 'inside' },
  ],
};

export const RATIO_PICTURE: TermPicture = {
  kind: 'bars',
  alt: 'The same mix by weight, 100 to 44, and by volume, 2 to 1: two pairs of numbers for one mix.',
  bars: [
    { words: 'by weight 100 : 44', a: 100, b: 44 },
    { words: 'by volume 2 : 1', a: 2, b: 1 },
  ],
};

const PRESSURES_KPA = [0, 200, 415];
export const PRESSURE_PICTURE: TermPicture = {
  kind: 'dots',
  alt: 'A bubble under no pressure, under 200 kPa and under 415 kPa: smaller each time, and then it dissolves.',
  dots: PRESSURES_KPA.map((kPa) => ({ words: `${kPa} kPa`, share: kPa === 0 ? 1 : boyleDiameterRatio(kPa) })),
};

export const WORK_ORDER_PICTURE: TermPicture = {
  kind: 'order',
  alt: 'The stages of a batch: weigh, mix, clear, pour, press, watch, check.',
  steps: ['weigh', 'mix', 'clear', 'pour', 'press', 'watch', 'check'],
};
