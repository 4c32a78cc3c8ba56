import type { SymptomKind } from '@warm-jar/core';

/** Marks of a drawn defect in a frame of 120 by 90: round ones, lines and areas. */
export interface PatternMarks {
  readonly circles: readonly { readonly x: number; readonly y: number; readonly r: number }[];
  readonly lines: readonly string[];
  readonly areas: readonly { readonly d: string; readonly tone: 'tacky' | 'yellow' | 'soft' | 'pale' | 'dark' }[];
}

type Box = readonly [x: number, y: number, w: number, h: number];
type Circle = PatternMarks['circles'][number];
/** Circles strewn over a box, of radii from one to another. */
interface Strewn {
  readonly count: number;
  readonly seed: number;
  readonly box: Box;
  readonly r: readonly [number, number];
}
/** Marks as they are written down, of which every cast makes its own. */
interface Recipe extends Omit<PatternMarks, 'circles'> {
  readonly circles: readonly (Circle | Strewn)[];
}

const scatter = (count: number, seed: number, box: Box, r: Strewn['r']): readonly Strewn[] => [{ count, seed, box, r }];

/** How much fewer and more of a scatter casts show, against the picture of their pattern. */
const [FEWEST, SPREAD] = [0.6, 0.9];

/** A repeatable scatter, so that the same pattern is always the same picture; of each cast its own, in place and count. */
function strewn({ count, seed, box, r }: Strewn, cast: number): Circle[] {
  let s = (seed + cast * 7919) % 2_147_483_647;
  const next = () => {
    s = (s * 16_807) % 2_147_483_647;
    return s / 2_147_483_647;
  };
  const shown = cast === 0 ? count : Math.max(1, Math.round(count * (FEWEST + SPREAD * next())));
  return Array.from({ length: shown }, () => ({
    x: box[0] + next() * box[2],
    y: box[1] + next() * box[3],
    r: r[0] + next() * (r[1] - r[0]),
  }));
}

const BODY = 'M12 10 H108 V80 H12 Z';
const WHOLE: Box = [16, 14, 88, 62];
const marks = (m: Partial<Recipe>): Recipe => ({ circles: [], lines: [], areas: [], ...m });
const area = (d: string, tone: PatternMarks['areas'][number]['tone']) => ({ areas: [{ d, tone }] });

const DRAWN: Record<string, Recipe> = {
  'bubbles micro-throughout': marks({ circles: scatter(70, 7, WHOLE, [0.7, 1.6]) }),
  'bubbles large-voids': marks({ circles: scatter(5, 21, [24, 22, 70, 46], [5, 9]) }),
  'bubbles surface-pimples': marks({ circles: scatter(16, 5, [14, 8, 92, 4], [1.5, 2.6]) }),
  'bubbles top-foam': marks({ circles: scatter(60, 11, [14, 12, 92, 16], [1.2, 3.2]) }),
  'bubbles around-inclusion': marks({
    circles: scatter(26, 3, [38, 28, 44, 36], [1, 2.4]),
    ...area('M48 36 H74 V56 H48 Z', 'dark'),
  }),
  'bubbles corners-and-undersides': marks({
    circles: [...scatter(6, 9, [14, 68, 16, 10], [2, 3.6]), ...scatter(6, 13, [90, 68, 16, 10], [2, 3.6])],
  }),
  'bubbles same-spot': marks({
    circles: [{ x: 84, y: 32, r: 4 }],
    lines: ['M84 20 V12 M84 44 V52 M72 32 H64 M96 32 H104'],
  }),
  'tacky liquid': marks({
    ...area('M12 30 Q34 22 60 30 T108 30 V80 H12 Z', 'tacky'),
    lines: ['M40 80 V86 M70 80 V88'],
  }),
  'tacky tacky-all-over': marks(area(BODY, 'tacky')),
  'tacky sticky-spots': marks({
    areas: [
      { d: 'M28 26 q12 -8 18 2 t-6 14 q-14 2 -12 -16', tone: 'tacky' },
      { d: 'M74 50 q12 -8 18 2 t-6 14 q-14 2 -12 -16', tone: 'tacky' },
    ],
  }),
  'tacky greasy-film': marks({
    ...area('M12 10 H108 V18 H12 Z', 'pale'),
    lines: ['M20 14 q6 -4 12 0 t12 0 t12 0 t12 0 t12 0'],
  }),
  'tacky tacky-air-side-only': marks(area('M12 10 H108 V22 H12 Z', 'tacky')),
  'tacky where-it-touched': marks(area('M12 70 H108 V80 H12 Z M12 10 H20 V80 H12 Z M100 10 H108 V80 H100 Z', 'tacky')),
  'tacky edges-leak': marks({
    ...area('M12 10 H18 V80 H12 Z M102 10 H108 V80 H102 Z', 'tacky'),
    lines: ['M12 60 q-6 8 0 16', 'M108 60 q6 8 0 16'],
  }),
  'yellowing whole-part': marks(area(BODY, 'yellow')),
  'yellowing centre-of-thick-section': marks(area('M60 24 a26 20 0 1 0 0.1 0', 'yellow')),
  'yellowing surface-exposed-to-light': marks({
    ...area('M12 10 H108 V26 H12 Z', 'yellow'),
    lines: ['M30 0 V7 M60 0 V7 M90 0 V7'],
  }),
  'yellowing near-flame-or-heat': marks(area('M70 10 H108 V44 Q80 40 70 10', 'yellow')),
  'yellowing around-inclusion': marks({
    areas: [
      { d: 'M60 22 a28 24 0 1 0 0.1 0', tone: 'yellow' },
      { d: 'M48 36 H74 V56 H48 Z', tone: 'dark' },
    ],
  }),
  'soft all-over': marks({ ...area(BODY, 'soft'), lines: ['M50 10 q10 12 20 0'] }),
  'soft thin-sections': marks({ ...area('M84 10 H108 V30 H84 Z', 'soft'), lines: ['M84 30 H108 M84 30 V80'] }),
  'soft cold-spots': marks({
    areas: [
      { d: 'M24 80 q14 -26 30 0', tone: 'soft' },
      { d: 'M70 80 q14 -22 28 0', tone: 'soft' },
    ],
  }),
  'soft deep-under-skin': marks(area('M22 22 H98 V70 H22 Z', 'soft')),
  haze: marks(area(BODY, 'pale')),
  'haze frosted-skin': marks({
    areas: [{ d: 'M12 10 H108 V80 H12 Z M20 18 V72 H100 V18 Z', tone: 'pale' }],
    lines: ['M12 24 L26 10 M12 44 L20 36 M94 80 L108 66 M100 54 L108 46'],
  }),
  'haze cloudy-through': marks({ ...area(BODY, 'pale'), circles: scatter(14, 29, WHOLE, [2.5, 5.5]) }),
  'haze white-bloom': marks({
    ...area('M12 10 H108 V20 H12 Z', 'pale'),
    circles: scatter(18, 31, [14, 11, 92, 8], [1, 2.6]),
  }),
  bulge: marks({ ...area('M12 10 Q60 -14 108 10 Z', 'soft'), lines: ['M12 10 Q60 -14 108 10'] }),
  delamination: marks({
    lines: ['M12 44 H108', 'M12 48 Q60 38 108 48'],
    ...area('M12 44 Q60 34 108 44 L108 48 Q60 40 12 48 Z', 'pale'),
  }),
  sink: marks({ ...area('M12 10 Q60 32 108 10 Z', 'pale'), lines: ['M12 10 Q60 32 108 10'] }),
  cracks: marks({ lines: ['M30 10 L42 34 L36 52 L50 80', 'M80 10 L72 30 L84 48'] }),
  'inclusion-change': marks({ ...area('M44 32 H78 V58 H44 Z', 'dark'), lines: ['M50 38 L72 52 M72 38 L50 52'] }),
  'colour-rub-off': marks({
    circles: scatter(30, 17, [14, 12, 92, 10], [0.8, 1.4]),
    lines: ['M30 6 h30 m-6 -4 l6 4 l-6 4'],
  }),
  colour: marks({ ...area(BODY, 'dark') }),
  'colour streaks': marks({
    lines: ['M22 12 q14 26 2 66', 'M48 12 q-12 30 6 66', 'M76 12 q16 28 -4 66', 'M98 12 q-10 34 2 66'],
  }),
  'colour grainy': marks({ circles: scatter(44, 37, WHOLE, [0.8, 2.2]), lines: ['M56 44 h6 M30 30 h5 M84 60 h5'] }),
  'colour settled': marks(area('M12 64 H108 V80 H12 Z', 'dark')),
  'colour too-weak': marks({ ...area(BODY, 'pale'), lines: ['M40 45 h40'] }),
  mark: marks({ lines: ['M46 38 l14 14 m0 -14 l-14 14'] }),
  'mark same-spot': marks({
    lines: ['M78 26 l10 10 m0 -10 l-10 10', 'M83 16 V10 M83 46 V52 M70 31 H64 M96 31 H102'],
  }),
  'mark seam-or-flash': marks({ lines: ['M60 10 V80', 'M60 10 l-5 -6 M60 10 l5 -6 M60 80 l-5 6 M60 80 l5 6'] }),
  'mark over-the-rim': marks({ ...area('M4 6 H116 V14 H4 Z', 'tacky'), lines: ['M4 14 v10 M116 14 v14'] }),
  'mark fingerprint': marks({
    lines: ['M48 58 q0 -30 12 -30 t12 30', 'M53 60 q0 -24 7 -24 t7 24', 'M43 54 q0 -36 17 -36 t17 36', 'M58 60 v-16'],
  }),
};

/**
 * What a symptom with its pattern looks like; the plain piece where a pattern was not told.
 * @param cast one of many casts that show it, each a little otherwise; 0 for the picture of the pattern itself
 */
export function patternMarks(kind: SymptomKind, pattern: string, cast = 0): PatternMarks {
  const { circles, lines, areas } = DRAWN[`${kind} ${pattern}`] ?? DRAWN[kind] ?? marks({});
  return { lines, areas, circles: circles.flatMap((c) => ('count' in c ? strewn(c, cast) : [c])) };
}
