import type { PlanRequest, PlanWarning } from '../formats/plan';
import { plannedCatalystPct } from '../mixing/plannedCatalyst';

type WantedMould = NonNullable<PlanRequest['want']['moulds']>[number];

/** One of several moulds that are filled from one cup, as a request of its own for the same mix. */
export interface MouldShare {
  readonly code: string | null;
  /** What share of all that is poured goes into it, 0 to 1. */
  readonly share: number;
  readonly request: PlanRequest;
}

const cavitiesOf = (m: WantedMould) => m.cavities ?? 1;
const filledML = (m: WantedMould): number | null => (m.volumeML == null ? null : m.volumeML * cavitiesOf(m));

export const mouldsWanted = ({ want }: PlanRequest): readonly WantedMould[] =>
  (want.moulds ?? []).filter((m) => m.cavities !== 0);

/** How what is poured is shared among the moulds: by what they hold, alike where one does not say. */
function sharesOf(moulds: readonly WantedMould[]): number[] {
  const volumes = moulds.map(filledML);
  const all = volumes.reduce<number>((sum, v) => sum + (v ?? 0), 0);
  return volumes.includes(null) || all <= 0 ? moulds.map(() => 1 / moulds.length) : volumes.map((v) => v! / all);
}

/** The width of a cavity seen from above, as a square of its volume over its depth, mm. */
const widthOf = ({ volumeML, depthMm }: WantedMould): number | null =>
  volumeML == null || depthMm == null ? null : Math.sqrt((volumeML * 1000) / depthMm);

/** How much is wanted where only the moulds say it: what they hold together. */
function wantOf(request: PlanRequest): PlanRequest['want'] {
  const { want } = request;
  const moulds = mouldsWanted(request);
  const volumes = moulds.map(filledML);
  const unsaid = want.volumeML == null && want.mixedMassG == null && !volumes.includes(null);
  return unsaid ? { ...want, volumeML: volumes.reduce<number>((sum, v) => sum + v!, 0) } : want;
}

/** One dose for the one mix: by the deepest of the moulds, for that one gets the hottest. */
function doseOf(request: PlanRequest): number | null | undefined {
  const { want, product, conditions } = request;
  if (want.catalystPct != null || !product.ratio.catalyst) return want.catalystPct;
  const deepest = Math.max(0, ...mouldsWanted(request).map((m) => m.depthMm ?? 0));
  const roomC = conditions?.roomC ?? product.potLife?.atC ?? product.gel?.atC ?? null;
  return roomC === null ? null : plannedCatalystPct(product, roomC, deepest || null)?.pct;
}

/** The mix itself, without any of its moulds: what is weighed and how long it can be worked. */
export function mixRequest(request: PlanRequest): PlanRequest {
  const own = {
    depthMm: null,
    thinnestMm: null,
    widthMm: null,
    rubber: null,
    degassed: null,
    clean: null,
    pullsLeft: null,
    inclusionMaxC: null,
  };
  return {
    ...request,
    want: { ...wantOf(request), catalystPct: doseOf(request), moulds: null },
    mould: { ...request.mould, ...own },
  };
}

/** A request for each mould: the same mix, judged by that mould alone. */
export function mouldShares(request: PlanRequest): MouldShare[] {
  const moulds = mouldsWanted(request);
  const shares = sharesOf(moulds);
  const mix = mixRequest(request);
  return moulds.map((m, i) => ({
    code: m.code ?? null,
    share: shares[i]!,
    request: {
      ...mix,
      conditions: { ...mix.conditions, mouldC: m.temperatureC ?? mix.conditions?.mouldC ?? null },
      mould: {
        ...mix.mould,
        depthMm: m.depthMm ?? null,
        thinnestMm: m.thinnestMm ?? null,
        widthMm: widthOf(m),
        rubber: m.rubber ?? null,
        degassed: m.degassed ?? null,
        clean: m.clean ?? null,
        pullsLeft: m.pullsLeft ?? null,
        inclusionMaxC: m.inclusionMaxC ?? request.mould?.inclusionMaxC ?? null,
      },
    },
  }));
}

/** Warnings that a mould makes; all others are the mix's, and the same whichever mould it goes into. */
const OF_THE_MOULD = new Set([
  'too-deep-at-once',
  'mould-not-degassed',
  'mould-not-clean',
  'mould-worn',
  'inhibited',
  'tin-mould',
  'over-exotherm',
  'inclusion-too-hot',
]);
export const isOfMould = ({ code }: PlanWarning): boolean =>
  OF_THE_MOULD.has(code) || /^(pour\.depthMm|mould\.thinnestMm|air\.dewPointSpreadK):/.test(code);

/** A mould's warnings where they stand among all: the mould that fails is named. */
export const namedAfter = (code: string | null, i: number, warnings: readonly PlanWarning[]): PlanWarning[] =>
  warnings.map((w) => ({ ...w, says: `${code ?? `Mould ${i + 1}`}: ${w.says}`, mould: code }));

/** What is poured of a mix of so much, with what stays in the cup, g. */
export const pouredG = (totalG: number, lossG: number): number => Math.max(0, totalG - lossG);
