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
import { planFill, type MouldOnShelf, type PlanFill } from './planFill';
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
};

/** Turns what was said into what the planner takes, with the mould and gear of the shelf. */
export function buildRequest(
  form: PlanForm,
  product: Product,
  shelf: ShelfForPlan,
  day: string,
  say: Say,
): BuiltRequest {
  const mould = form.fill === 'mould' ? (shelf.moulds.find((m) => m.item.code === form.mouldCode) ?? null) : null;
  const more =
    form.fill === 'mould'
      ? form.moreMoulds.flatMap((code) => shelf.moulds.filter((m) => m.item.code === code && code !== form.mouldCode))
      : [];
  const fill = planFill(form, product, mould, more);
  const route = form.route ?? cardRoute(product);
  const liquidML = fill.volumeML ?? (fill.massG ?? 0) / (product.mixedDensityGPerML ?? 1);
  const gear = planGear(shelf.gear, form, liquidML, liquidML * (product.mixedDensityGPerML ?? 1), route, day);
  const inclusion = shelf.inclusions.find((i) => i.code === form.inclusionCode);
  const issues: Record<string, string> = { ...fill.issues };
  const stop = gear.vessel && vesselStop(gear.vessel, 1, day, say);
  if (stop) issues['vesselCode'] = stop.says;
  if (Object.keys(issues).length > 0) return { request: null, fill, gear, issues };
  const parsed = planRequestSchema.safeParse({
    product,
    route,
    want: {
      ...(fill.massG === null ? { volumeML: fill.volumeML } : { mixedMassG: fill.massG }),
      lossPct: form.lossPct,
      catalystPct: product.ratio.catalyst ? form.catalystPct : null,
      round: form.round,
      additives: form.additives.map((a) => {
        const card = shelf.additives.find((c) => c.code === a.code);
        return {
          name: a.name,
          kind: a.kind,
          pct: a.pct ?? 0,
          dropsPerG: card ? dropsPerG(card) : null,
          waterPct: card?.waterPct ?? null,
          solvent: card?.solvent ?? null,
        };
      }),
    },
    conditions: {
      roomC: form.roomC,
      humidityPct: form.humidityPct,
      resinC: form.resinC,
      mouldC: form.mouldC,
      pressureAltitudeM: form.altitudeM,
    },
    gear: {
      scaleStepG: gear.scale?.stepG,
      scaleCapacityG: gear.scale?.capacityG,
      cupDiameterMm: gear.cup?.diameterMm,
      cupMassG: gear.cup ? cupMassG(gear.cup) : null,
      cupVolumeML: gear.cup?.volumeML,
      vesselFreeL: gear.vessel?.freeL,
      vesselRatedKPa: gear.vessel?.ratedKPa,
      compressorTankL: gear.compressor?.tankL,
      compressorTankKPa: gear.compressor?.cutOutKPa,
      freeAirLPerMin: gear.compressor?.freeAirLPerMin,
      vacuumKPaAbs: gear.pump?.ultimateKPaAbs,
      lampMWPerCM2: gear.lamp?.irradianceMWPerCM2,
    },
    mould: {
      depthMm: fill.depthMm,
      thinnestMm: fill.thinnestMm,
      widthMm: fill.widthMm,
      rubber: mould?.item.rubber,
      degassed: mould?.item.degassed,
      inclusionMaxC: inclusion?.maxC,
      inclusionMoisturePct: inclusion?.moisturePct,
      inclusion: inclusion ?? null,
    },
    handling: {
      stirMin: form.stirMin,
      restMin: form.restMin,
      pourMin: form.pourMin,
      loadMin: form.loadMin,
      pressureKPa: form.pressureKPa,
    },
  });
  if (parsed.success) return { request: parsed.data, fill, gear, issues };
  for (const { path, message } of issuesFromZod(parsed.error)) issues[FORM_FIELD[path] ?? path] ??= message;
  return { request: null, fill, gear, issues };
}
