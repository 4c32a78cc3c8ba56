import type { AdditiveKind, CopiedFrom, CLARITIES, Route, SHAPE_KINDS } from '@warm-jar/core';

export type FillWith = 'mould' | 'shape' | 'coat' | 'mass';
type ShapeKind = (typeof SHAPE_KINDS)[number];
/** A piece of gear: its code, `none` for doing without, null for what the application picks. */
export type GearChoice = string | null;
export interface PlannedColour {
  readonly code: string | null;
  readonly name: string;
  readonly kind: AdditiveKind;
  readonly pct: number | null;
}

/** What a technician says of a batch to be planned. Null is not said; the card or a habit stands in and is told. */
export interface PlanForm {
  readonly productSlug: string | null;
  readonly fill: FillWith;
  readonly mouldCode: string | null;
  /** Further moulds filled from the same cup. */
  readonly moreMoulds: readonly string[];
  readonly pieces: number | null;
  readonly shape: ShapeKind;
  readonly measures: Readonly<Record<string, number | null>>;
  readonly areaCM2: number | null;
  readonly thicknessMm: number | null;
  readonly edgeMm: number | null;
  readonly edgeHeightMm: number | null;
  readonly massG: number | null;
  readonly depthMm: number | null;
  /** Width of one pour seen from above, where somebody typed it. */
  readonly widthMm: number | null;
  /** Plan one of so many equal pours; null plans the whole depth. */
  readonly pourOf: number | null;
  readonly thinnestMm: number | null;
  readonly lossPct: number | null;
  /** A dose of one's own, % of resin mass. */
  readonly catalystPct: number | null;
  readonly roomC: number | null;
  readonly humidityPct: number | null;
  readonly resinC: number | null;
  readonly mouldC: number | null;
  readonly altitudeM: number | null;
  readonly additives: readonly PlannedColour[];
  readonly inclusionCode: string | null;
  readonly route: Route | null;
  readonly stirMin: number | null;
  readonly restMin: number | null;
  readonly pourMin: number | null;
  readonly loadMin: number | null;
  readonly pressureKPa: number | null;
  /** The temperatures of the mix between which it is to be poured. */
  readonly pourFromC: number | null;
  readonly pourToC: number | null;
  readonly round: 'A' | 'B' | 'total' | null;
  readonly scaleCode: GearChoice;
  readonly cupCode: GearChoice;
  readonly vesselCode: GearChoice;
  readonly compressorCode: GearChoice;
  readonly pumpCode: GearChoice;
  readonly lampCode: GearChoice;
  readonly baseSlug: string | null;
  readonly useGPerMin: number | null;
  readonly clarity: (typeof CLARITIES)[number] | null;
  readonly sun: boolean;
  readonly waitH: number | null;
  readonly leastShoreD: number | null;
  /** The batch it was copied from, and what was changed on purpose. */
  readonly copiedFrom: CopiedFrom | null;
  /** How it stood when it was copied, so that what is changed since can be told. */
  readonly copiedAs: Readonly<Partial<PlanForm>> | null;
  /** The layer of a piece that the batch is for. */
  readonly forLayer: { readonly piece: string; readonly layer: number } | null;
}

export const EMPTY_PLAN: PlanForm = {
  productSlug: null,
  fill: 'mould',
  mouldCode: null,
  moreMoulds: [],
  pieces: null,
  shape: 'box',
  measures: {},
  areaCM2: null,
  thicknessMm: null,
  edgeMm: null,
  edgeHeightMm: null,
  massG: null,
  depthMm: null,
  widthMm: null,
  pourOf: null,
  thinnestMm: null,
  lossPct: null,
  catalystPct: null,
  roomC: null,
  humidityPct: null,
  resinC: null,
  mouldC: null,
  altitudeM: null,
  additives: [],
  inclusionCode: null,
  route: null,
  stirMin: null,
  restMin: null,
  pourMin: null,
  loadMin: null,
  pressureKPa: null,
  pourFromC: null,
  pourToC: null,
  round: null,
  scaleCode: null,
  cupCode: null,
  vesselCode: null,
  compressorCode: null,
  pumpCode: null,
  lampCode: null,
  baseSlug: null,
  useGPerMin: null,
  clarity: null,
  sun: false,
  waitH: null,
  leastShoreD: null,
  copiedFrom: null,
  copiedAs: null,
  forLayer: null,
};
