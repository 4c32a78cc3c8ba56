import type { FitRequest, InclusionCard } from '@warm-jar/core';
import type { ShelvedMould } from '../../api/shelf';
import type { PlanForm } from '../../stores/planForm';
import type { BuiltRequest } from './buildRequest';

/** Room of a card where neither the form nor the card says, °C. */
const SHEET_C = 23;

interface ShelfForFit {
  readonly moulds: readonly ShelvedMould[];
  readonly inclusions: readonly { readonly item: InclusionCard }[];
}

/** The plan's form as the question of which product; null while it says neither how much nor into what. */
export function fitRequest(
  { fill, gear, request }: BuiltRequest,
  form: PlanForm,
  shelf: ShelfForFit,
  pricePerG: ReadonlyMap<string, number>,
): FitRequest | null {
  if (fill.volumeML === null && fill.massG === null) return null;
  return {
    depthMm: fill.depthMm,
    thinnestMm: fill.thinnestMm,
    volumeML: fill.volumeML,
    roomC: form.roomC ?? request?.product.potLife?.atC ?? SHEET_C,
    humidityPct: form.humidityPct,
    clarity: form.clarity,
    ...mouldFor(form, shelf),
    sun: form.sun,
    waitH: form.waitH,
    leastShoreD: form.leastShoreD,
    ...gearFor(gear),
    ...inclusionFor(form, shelf),
    pricePerG,
  };
}

function mouldFor(form: PlanForm, { moulds }: ShelfForFit) {
  const code = form.fill === 'mould' ? form.mouldCode : null;
  const { hollow, rubber } = moulds.find(({ item }) => item.code === code)?.item ?? {};
  return { hollow: hollow ?? false, rubber: rubber ?? null };
}

function inclusionFor(form: PlanForm, { inclusions }: ShelfForFit) {
  const { moisturePct, maxC } = inclusions.find(({ item }) => item.code === form.inclusionCode)?.item ?? {};
  return { inclusionMoisturePct: moisturePct ?? null, inclusionMaxC: maxC ?? null };
}

/** What vessel, pump and lamp can do. */
const gearFor = ({ vessel, pump, lamp }: BuiltRequest['gear']) => ({
  vesselRatedKPa: vessel?.ratedKPa ?? null,
  vacuumKPaAbs: pump?.ultimateKPaAbs ?? null,
  lampMWPerCM2: lamp?.irradianceMWPerCM2 ?? null,
});
