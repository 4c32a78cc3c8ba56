import { mouldSchema, type Mould } from '../formats/mould';

const mould = (code: string, makes: string, more: Record<string, unknown>) =>
  mouldSchema.parse({
    format: 'warm-jar.mould/1',
    code,
    makes,
    rubber: 'platinum-silicone',
    degassed: true,
    finish: 'gloss',
    ...more,
  });
const cavities = (n: number, volumeML: number, depthMm: number, thinnestMm: number, outline: string) =>
  Array.from({ length: n }, (_, i) => ({
    name: `${i + 1}`,
    volumeML,
    volumeFrom: 'water',
    depthMm,
    thinnestMm,
    outline,
    outlineAspect: 1,
    marks: [] as unknown[],
  }));

const MOULDS: readonly Mould[] = [
  mould('M-01', 'cabinet pulls, the first mould', {
    cavities: cavities(4, 48, 20, 5, 'ellipse'),
    pullsBefore: 0,
    pullsExpected: 45,
    wear: [{ note: 'gloss gone in two cavities, one edge torn' }],
  }),
  mould('M-02', 'small house numbers', {
    cavities: cavities(2, 70, 12, 6, 'rectangle'),
    pullsBefore: 0,
    pullsExpected: 60,
  }),
  mould('M-03', 'backlit panel', {
    cavities: [
      {
        name: '1',
        volumeML: 1260,
        volumeFrom: 'shape',
        depthMm: 28,
        thinnestMm: 28,
        outline: 'plate',
        outlineAspect: 1.6,
        marks: [],
      },
    ],
    pullsBefore: 1,
    pullsExpected: 60,
  }),
  mould('M-05', 'switch plates', { cavities: cavities(6, 165, 24, 8, 'plate'), pullsBefore: 0, pullsExpected: 50 }),
  mould('M-06', 'thick panel', {
    cavities: [
      {
        name: '1',
        volumeML: 2350,
        volumeFrom: 'mesh',
        areaCM2: 980,
        depthMm: 58,
        thinnestMm: 40,
        outline: 'rectangle',
        outlineAspect: 1.3,
        marks: [],
      },
    ],
    pullsBefore: 1,
    pullsExpected: 40,
  }),
  mould('M-08', 'cabinet pulls', {
    cavities: cavities(4, 62, 22, 6, 'ellipse'),
    finish: 'satin',
    pullsBefore: 0,
    pullsExpected: 50,
  }),
  mould('M-12', 'lamp finials', {
    cavities: cavities(4, 62, 52, 6, 'drop').map((c, i) =>
      i === 2 ? { ...c, marks: [{ x: 0.62, y: 0.3, batch: 'B-0393', what: 'nick in the neck', on: null }] } : c,
    ),
    pullsBefore: 0,
    pullsExpected: 45,
    wear: [{ note: 'small nick in cavity 3, in the neck' }],
  }),
  mould('M-14', 'cabinet pulls, round', {
    cavities: cavities(4, 52, 20, 5, 'ellipse'),
    pullsBefore: 0,
    pullsExpected: 45,
  }),
  mould('M-15', 'wall plates', { cavities: cavities(2, 190, 18, 6, 'plate'), pullsBefore: 0, pullsExpected: 45 }),
  mould('M-17', 'coat pegs', {
    cavities: cavities(5, 140, 70, 4, 'drop'),
    hollow: true,
    pullsBefore: 16,
    pullsExpected: 60,
    rubber: 'tin-silicone',
    degassed: false,
    finish: 'matt',
  }),
  mould('M-21', 'house numbers', {
    cavities: cavities(3, 110, 20, 8, 'rectangle'),
    finish: 'textured',
    pullsBefore: 9,
    pullsExpected: 80,
  }),
  mould('M-30', 'small fills and dots', {
    cavities: cavities(12, 0.9, 3, 1, 'ellipse'),
    pullsBefore: 0,
    pullsExpected: 200,
  }),
];

/** Every mould of the demo studio. */
export const saltmarshMoulds = (): Mould[] => [...MOULDS];
