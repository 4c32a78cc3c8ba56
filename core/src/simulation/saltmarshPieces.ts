import { pieceSchema, type Piece } from '../formats/piece';

const HOUR_MS = 3_600_000;

/** Hours before now as an ISO moment. */
type At = (hoursAgo: number) => string;

const piece = (code: string, name: string, more: Record<string, unknown>): Piece =>
  pieceSchema.parse({ format: 'warm-jar.piece/1', code, name, ...more });

const backlitPanel = (at: At): Piece =>
  piece('P-01', 'backlit panel with brass turnings', {
    mould: 'M-03',
    heightMm: 30,
    roomC: 20,
    done: true,
    layers: [
      {
        productSlug: 'house-deep-40',
        depthMm: 14,
        batch: 'B-0392',
        inclusions: [{ what: 'brass turnings', kind: 'metal' }],
      },
      { productSlug: 'house-deep-40', depthMm: 13, pouredAt: at(31 * 24), sanded: false },
    ],
  });

const houseNumbers = (at: At): Piece =>
  piece('P-02', 'house numbers under a clear coat', {
    mould: 'M-21',
    heightMm: 20,
    roomC: 20,
    layers: [
      {
        productSlug: 'house-chalk',
        depthMm: 17,
        batch: 'B-0406',
        weighings: [
          { at: at(14 * 24), massG: 612 },
          { at: at(13.6 * 24), massG: 600.4 },
        ],
      },
      { productSlug: 'house-coat-9', depthMm: 1, batch: 'B-0421', sanded: true },
    ],
    note: 'lifted over the chalk after four days',
  });

const thickPanel = (): Piece =>
  piece('P-03', 'thick panel with bladderwrack', {
    mould: 'M-06',
    heightMm: 60,
    roomC: 20,
    layers: [
      {
        productSlug: 'house-deep-40',
        depthMm: 28,
        batch: 'B-0420',
        inclusions: [{ what: 'dried bladderwrack', kind: 'plant' }],
      },
      { productSlug: 'house-deep-40', depthMm: 28 },
      { productSlug: 'house-coat-9', depthMm: 2 },
    ],
  });

const numberPlate = (at: At): Piece =>
  piece('P-04', 'number plate, chalk in clear', {
    mould: 'M-21',
    heightMm: 20,
    roomC: 19,
    layers: [
      {
        productSlug: 'house-chalk',
        depthMm: 12,
        batch: 'B-0416',
        weighings: [
          { at: at(13.5), massG: 566 },
          { at: at(3), massG: 558.1 },
        ],
      },
      { productSlug: 'house-coat-9', depthMm: 4 },
      { productSlug: 'house-noon-white', depthMm: 1 },
    ],
  });

/** Pieces of the demo studio made in layers: one done, one that lifted, two in work. */
export function saltmarshPieces(now: Date): Piece[] {
  const at: At = (hoursAgo) =>
    new Date(now.getTime() - hoursAgo * HOUR_MS).toISOString().replace(/\.\d{3}Z$/, '+00:00');
  return [backlitPanel(at), houseNumbers(at), thickPanel(), numberPlate(at)];
}
