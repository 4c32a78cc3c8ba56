import type { Candidate, SheetStatement } from './reading';
import { placeOf } from './segment';
import type { RatioStatement } from './sheetRatios';

const KEYS = { byWeight: ['a', 'b'], byVolume: ['a', 'b'], powder: ['liquid', 'powder'] } as const;

type Side = RatioStatement['a'];

function statementOf({ segment }: RatioStatement, side: Side, unit: string): SheetStatement | null {
  const place = placeOf(segment, side.start);
  return place && { value: side.value, unit, line: place.line, text: segment.text.slice(side.start, side.end) };
}

/** The two sides of each ratio as they go into a card: taken together or not at all. */
export function ratioCandidates(ratios: readonly RatioStatement[]): Candidate[] {
  return ratios.flatMap((ratio): Candidate[] => {
    const [first, second] = KEYS[ratio.basis];
    const [a, b] = [statementOf(ratio, ratio.a, 'parts'), statementOf(ratio, ratio.b, 'parts')];
    if (!a || !b) return [];
    const about = { bound: null, product: ratio.segment.product };
    const share = ratio.b.value / ratio.a.value;
    const tolerance = ratio.tolerancePct && statementOf(ratio, ratio.tolerancePct, '%');
    return [
      {
        ...about,
        ...b,
        path: `ratio.${ratio.basis}.${second}`,
        low: share,
        high: share,
        companions: [{ ...a, path: `ratio.${ratio.basis}.${first}` }],
      },
      ...(tolerance && ratio.tolerancePct
        ? [
            {
              ...about,
              ...tolerance,
              path: 'ratio.tolerancePct',
              low: ratio.tolerancePct.value,
              high: ratio.tolerancePct.value,
              companions: [],
            },
          ]
        : []),
    ];
  });
}
