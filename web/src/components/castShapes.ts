import type { Clarity, SymptomKind } from '@warm-jar/core';

/** The outline of a cast in the frame of the pattern pictures, 120 by 90, and what gives it depth. */
export interface CastShape {
  readonly name: string;
  readonly outline: string;
  /** Faces seen beside the front, from behind to before. */
  readonly faces: readonly { readonly d: string; readonly side: 'top' | 'right' }[];
  /** Where light runs along it. */
  readonly shine: string;
}

/** Cast in an open mould: the side that lay to the air is on top. */
const OPEN: readonly CastShape[] = [
  {
    name: 'block',
    outline: 'M12 10 H108 V80 H12 Z',
    faces: [
      { d: 'M12 10 L20 2 H116 L108 10 Z', side: 'top' },
      { d: 'M108 10 L116 2 V72 L108 80 Z', side: 'right' },
    ],
    shine: 'M17 74 V18 Q17 14 22 14 H40',
  },
  {
    name: 'round',
    outline: 'M12 10 V73 A48 9 0 0 0 108 73 V10 A48 7 0 0 1 12 10 Z',
    faces: [{ d: 'M12 10 A48 7 0 0 1 108 10 A48 7 0 0 1 12 10 Z', side: 'top' }],
    shine: 'M20 70 V22',
  },
];
/** Cast all round in a mould. */
const CLOSED: readonly CastShape[] = [
  {
    name: 'drop',
    outline: 'M60 3 C70 22 106 42 106 59 C106 76 86 86 60 86 C34 86 14 76 14 59 C14 42 50 22 60 3 Z',
    faces: [],
    shine: 'M28 56 Q30 44 50 26',
  },
  {
    name: 'dome',
    outline: 'M12 78 C12 32 36 8 60 8 C84 8 108 32 108 78 C108 84 12 84 12 78 Z',
    faces: [],
    shine: 'M22 62 Q26 34 48 18',
  },
];

/** What shows all through a cast, in whatever shape it was cast. */
const ALL_THROUGH: ReadonlySet<string> = new Set([
  'bubbles micro-throughout',
  'bubbles large-voids',
  'tacky tacky-all-over',
  'tacky sticky-spots',
  'yellowing whole-part',
  'soft all-over',
  'haze frosted-skin',
  'haze cloudy-through',
  'colour streaks',
  'colour grainy',
  'colour too-weak',
]);

/** The shape of a cast: any where its fault shows all through, one with a side to the air where it may lie there. */
export function castShape(kind: SymptomKind, pattern: string, cast: number): CastShape {
  const shapes = ALL_THROUGH.has(`${kind} ${pattern}`) ? [...CLOSED, ...OPEN] : OPEN;
  return shapes[Math.abs(cast) % shapes.length]!;
}

/** How much of what lies behind a cast is hidden, 0 to 1, by how clear its product is. */
const HIDES: Readonly<Record<Clarity, number>> = { 'water-clear': 0.62, clear: 0.74, hazy: 0.9, opaque: 1 };
export const hides = (clarity: Clarity | null): number => (clarity === null ? HIDES.clear : HIDES[clarity]);
