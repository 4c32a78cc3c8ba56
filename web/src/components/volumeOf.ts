import { CoreError, SHAPE_KINDS, shapeVolumeML, waterFillML, type Shape } from '@warm-jar/core';

export type HowMeasured = 'water' | 'shape' | 'mesh';
type ShapeKind = (typeof SHAPE_KINDS)[number];

const mm = (key: string, label: string) => ({ key, label, unit: 'mm' });
/** The measures that each plain shape asks for. */
export const SHAPE_MEASURES: Readonly<Record<ShapeKind, readonly { key: string; label: string; unit: string }[]>> = {
  box: [mm('lengthMm', 'Length'), mm('widthMm', 'Width'), mm('depthMm', 'Depth')],
  cylinder: [mm('diameterMm', 'Diameter'), mm('depthMm', 'Depth')],
  'cone-frustum': [
    mm('topDiameterMm', 'Diameter on top'),
    mm('bottomDiameterMm', 'Diameter at the bottom'),
    mm('depthMm', 'Depth'),
  ],
  'sphere-cap': [mm('diameterMm', 'Diameter of the rim'), mm('depthMm', 'Depth')],
  ring: [mm('outerDiameterMm', 'Outer diameter'), mm('innerDiameterMm', 'Inner diameter'), mm('depthMm', 'Depth')],
};

const LABELS = new Map([
  ['waterG', 'the water'],
  ['waterC', 'its temperature'],
  ...Object.values(SHAPE_MEASURES)
    .flat()
    .map((m): [string, string] => [m.key, m.label.toLowerCase()]),
]);

/** A volume from what was measured; null until all of it is there, a sentence where it cannot be. */
export function volumeOf(
  how: 'water' | 'shape',
  kind: ShapeKind,
  numbers: Readonly<Record<string, number | null>>,
): { volumeML: number | null; problem: string | null } {
  const wanted = how === 'water' ? ['waterG', 'waterC'] : SHAPE_MEASURES[kind].map((m) => m.key);
  if (wanted.some((key) => numbers[key] == null)) return { volumeML: null, problem: null };
  try {
    if (how === 'water') return { volumeML: waterFillML(numbers['waterG']!, numbers['waterC']!), problem: null };
    return {
      volumeML: shapeVolumeML({
        kind,
        ...Object.fromEntries(wanted.map((key) => [key, numbers[key]])),
      } as unknown as Shape),
      problem: null,
    };
  } catch (error) {
    if (error instanceof CoreError)
      return {
        volumeML: null,
        problem: `Look at ${error.path}: ${error.message}`.replaceAll(error.path, LABELS.get(error.path) ?? error.path),
      };
    throw error;
  }
}
