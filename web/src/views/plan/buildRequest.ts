import {
  cardRoute,
  dropsPerG,
  issuesFromZod,
  planRequestSchema,
  vesselStop,
  type AdditiveCard,
  type Gear,
  type InclusionCard,
  type PlanRequest,
  type Product,
  type Say,
} from '@warm-jar/core';
import type { PlanForm } from '../../stores/planForm';
import { planFill, pullsLeft, wantedMoulds, type MouldOnShelf, type PlanFill } from './planFill';
import { cupMassG, planGear, type PlanGear } from './planGear';

/** The shelf as a plan needs it. */
export interface ShelfForPlan {
  readonly moulds: readonly MouldOnShelf[];
  readonly additives: readonly AdditiveCard[];
  readonly inclusions: readonly InclusionCard[];
  readonly gear: readonly Gear[];
}

export interface BuiltRequest {
  /** Null while something is missing or wrong; `issues` says what, by form field. */
  readonly request: PlanRequest | null;
  readonly fill: PlanFill;
  readonly gear: PlanGear;
  readonly issues: Readonly<Record<string, string>>;
}

/** Where the request's fields are typed in the form. */
const FORM_FIELD: Readonly<Record<string, string>> = {
  'conditions.roomC': 'roomC',
  'conditions.humidityPct': 'humidityPct',
  'conditions.resinC': 'resinC',
  'conditions.mouldC': 'mouldC',
  'conditions.pressureAltitudeM': 'altitudeM',
  'mould.depthMm': 'depthMm',
  'mould.widthMm': 'widthMm',
  'mould.thinnestMm': 'thinnestMm',
  'want.volumeML': 'massG',
  'want.mixedMassG': 'massG',
  'want.lossPct': 'lossPct',
  'want.catalystPct': 'catalystPct',
  'handling.stirMin': 'stirMin',
  'handling.restMin': 'restMin',
  'handling.pourMin': 'pourMin',
  'handling.loadMin': 'loadMin',
  'handling.pressureKPa': 'pressureKPa',
  'handling.pourFromC': 'pourFromC',
  'handling.pourToC': 'pourToC',
};

/** The moulds that are to be filled: the first, and those beside it. */
function mouldsOf(form: PlanForm, shelf: ShelfForPlan) {
  if (form.fill !== 'mould') return { mould: null, more: [] };
  const find = (code: string | null) => shelf.moulds.find((m) => m.item.code === code) ?? null;
  const others = form.moreMoulds.filter((code) => code !== form.mouldCode);
  return { mould: find(form.mouldCode), more: others.flatMap((code) => find(code) ?? []) };
}

function wantOf(
  form: PlanForm,
  product: Product,
  shelf: ShelfForPlan,
  fill: PlanFill,
  moulds: readonly MouldOnShelf[],
) {
  return {
    ...(moulds.length > 1 ? { moulds: wantedMoulds(form, product, moulds) } : {}),
    ...(fill.massG === null ? { volumeML: fill.volumeML } : { mixedMassG: fill.massG }),
    lossPct: form.lossPct,
    catalystPct: product.ratio.catalyst ? form.catalystPct : null,
    round: form.round,
    additives: form.additives.map(({ code, name, kind, pct }) => {
      const card = shelf.additives.find((c) => c.code === code);
      return {
        name,
        kind,
        pct: pct ?? 0,
        dropsPerG: card ? dropsPerG(card) : null,
        waterPct: card?.waterPct ?? null,
        solvent: card?.solvent ?? null,
      };
    }),
  };
}

const conditionsOf = (form: PlanForm) => ({
  roomC: form.roomC,
  humidityPct: form.humidityPct,
  resinC: form.resinC,
  mouldC: form.mouldC,
  pressureAltitudeM: form.altitudeM,
});

const weighingGear = ({ scale, cup }: PlanGear) => ({
  scaleStepG: scale?.stepG,
  scaleCapacityG: scale?.capacityG,
  cupDiameterMm: cup?.diameterMm,
  cupMassG: cup ? cupMassG(cup) : null,
  cupVolumeML: cup?.volumeML,
});

const airGear = ({ vessel, compressor, pump, lamp }: PlanGear) => ({
  vesselFreeL: vessel?.freeL,
  vesselRatedKPa: vessel?.ratedKPa,
  compressorTankL: compressor?.tankL,
  compressorTankKPa: compressor?.cutOutKPa,
  freeAirLPerMin: compressor?.freeAirLPerMin,
  vacuumKPaAbs: pump?.ultimateKPaAbs,
  lampMWPerCM2: lamp?.irradianceMWPerCM2,
});

function mouldOf(fill: PlanFill, mould: MouldOnShelf | null, inclusion: InclusionCard | undefined) {
  return {
    depthMm: fill.depthMm,
    thinnestMm: fill.thinnestMm,
    widthMm: fill.widthMm,
    rubber: mould?.item.rubber,
    degassed: mould?.item.degassed,
    pullsLeft: mould ? pullsLeft(mould) : null,
    inclusionMaxC: inclusion?.maxC,
    inclusionMoisturePct: inclusion?.moisturePct,
    inclusion: inclusion ?? null,
  };
}

const handlingOf = ({ stirMin, restMin, pourMin, loadMin, pressureKPa, pourFromC, pourToC }: PlanForm) => ({
  stirMin,
  restMin,
  pourMin,
  loadMin,
  pressureKPa,
  pourFromC,
  pourToC,
});

/** Turns what was said into what the planner takes, with the mould and gear of the shelf. */
export function buildRequest(
  form: PlanForm,
  product: Product,
  shelf: ShelfForPlan,
  day: string,
  say: Say,
): BuiltRequest {
  const { mould, more } = mouldsOf(form, shelf);
  const fill = planFill(form, product, mould, more);
  const route = form.route ?? cardRoute(product);
  const density = product.mixedDensityGPerML ?? 1;
  const liquidML = fill.volumeML ?? (fill.massG ?? 0) / density;
  const gear = planGear(shelf.gear, form, liquidML, liquidML * density, route, day);
  const issues: Record<string, string> = { ...fill.issues };
  const stop = gear.vessel && vesselStop(gear.vessel, 1, day, say);
  if (stop) issues['vesselCode'] = stop.says;
  if (Object.keys(issues).length > 0) return { request: null, fill, gear, issues };
  const inclusion = shelf.inclusions.find((i) => i.code === form.inclusionCode);
  const parsed = planRequestSchema.safeParse({
    product,
    route,
    want: wantOf(form, product, shelf, fill, mould ? [mould, ...more] : []),
    conditions: conditionsOf(form),
    gear: { ...weighingGear(gear), ...airGear(gear) },
    mould: mouldOf(fill, mould, inclusion),
    handling: handlingOf(form),
  });
  if (parsed.success) return { request: parsed.data, fill, gear, issues };
  for (const { path, message } of issuesFromZod(parsed.error)) issues[FORM_FIELD[path] ?? path] ??= message;
  return { request: null, fill, gear, issues };
}
