import type { Product } from '../formats/product';
import { VACUUM_HEADROOM } from '../air/boyle';
import { PAINT_WATER_PCT, carriedWaterG, co2FromWaterML } from '../bubbles/moisture';
import { doseEffect } from '../cure/catalystDose';
import { SHEET_DENSITY_G_PER_ML } from '../cure/kineticsDefaults';
import type { LimitReading } from '../formats/diagnosis';
import type { PlanWarning } from '../formats/plan';
import { limitReadings } from '../limits/limitReadings';
import { inclusionWarnings } from '../shelf/pairs';
import type { PlanAmounts } from './planAmounts';
import { isPressed, isVacuumed, type PlanCase } from './planCase';
import { cupHeadroom } from './cupHeadroom';
import { cupHeat, guessedHeat } from './planHeat';
import type { TimeBudget } from './timeBudget';
import { plannedBatch } from './plannedBatch';
import type { PlannedPressure } from './planPressing';
import type { TimelineStep } from '../formats/plan';

type Figure = number | null;
const warn = (code: string, says: string, measured: Figure = null, limit: Figure = null, unit = ''): PlanWarning => ({
  code,
  says,
  measured,
  limit,
  unit,
  stop: false,
});
const forbid = (...args: Parameters<typeof warn>): PlanWarning => ({ ...warn(...args), stop: true });

/** A surface this little above the dew point sweats or blushes, K (studio practice). */
const DEW_SAFE_K = 3;
/** CO2 that is plainly too much, mL of gas in 100 mL of resin (judgement). */
const CO2_TOO_MUCH_PER_100ML = 5;
/** Shown elsewhere in a plan, or nothing the plan decides. */
const NOT_OF_THE_PLAN = new Set([
  'pressure.gaugeKPa',
  'air.dewPointSpreadK',
  'pour.startedMin',
  'pour.finishedMin',
  'pressure.reachedMin',
  'resin.temperatureBC',
  'resin.atPourC',
  'cure.temperatureC',
]);

/** The card's limits that the plan would break, in the words of the record. */
function cardWarnings(
  c: PlanCase,
  amounts: PlanAmounts,
  timeline: readonly TimelineStep[],
  pressing: PlannedPressure | null,
): PlanWarning[] {
  return limitReadings(c.product, plannedBatch(c, amounts, timeline, pressing), c.say)
    .filter((r) => (r.state === 'below' || r.state === 'above') && !NOT_OF_THE_PLAN.has(r.field))
    .map((r) => ({
      code: `${r.field}:${r.state}`,
      says: r.says,
      measured: r.measured,
      limit: r.state === 'below' ? r.low : r.high,
      unit: r.unit,
      stop: isRefused(c, r.field) || isFarOff(r),
    }));
}

/**
 * Beyond the card's band by more than this share of its width nothing is as
 * the card says; K where one side alone is stated.
 */
const FAR_SHARE = 0.5;
const FAR_K = 5;
/** What a card's band of temperatures binds. */
const WARMTHS = new Set(['resin.temperatureAC', 'room.temperatureC']);

/** Whether resin or room is so far outside the card's band that the batch cannot come out as the card has it. */
function isFarOff(r: LimitReading): boolean {
  if (!WARMTHS.has(r.field) || typeof r.measured !== 'number') return false;
  const [low, high] = [r.low, r.high].map((v) => (typeof v === 'number' ? v : null));
  const far = low != null && high != null ? (high - low) * FAR_SHARE : FAR_K;
  return (low != null && r.measured < low - far) || (high != null && r.measured > high + far);
}

/** Whether a loading is of a kind that the card refuses altogether. */
const isRefused = (c: PlanCase, field: string) =>
  (c.product.additives?.refused ?? []).some((kind) => field === `additives.${kind}.pct`);

/** What damp does at the surface, by family. */
const SWEATING: Readonly<Partial<Record<Product['family'], string>>> = {
  epoxy: 'the surface may blush, a greasy film',
  polyurethane: 'it may sweat, and this resin foams on water',
};

function dampWarnings(c: PlanCase): PlanWarning[] {
  if (c.dewC === null) return [];
  const coldest = Math.min(c.resinC, c.mouldC, c.roomC);
  const spread = coldest - c.dewC;
  if (spread >= DEW_SAFE_K) return [];
  const what = SWEATING[c.product.family] ?? 'it may sweat';
  return [
    warn(
      'near-dew-point',
      `The coldest of room, mould and resin is ${c.say(spread, 'K')} above the dew point of ${c.say(c.dewC, '°C')}: ${what}.`,
      spread,
      DEW_SAFE_K,
      'K',
    ),
  ];
}

/** Water that the planned additives carry, g. */
export const plannedWaterG = (amounts: PlanAmounts): number =>
  carriedWaterG(
    amounts.additives.map((a) => ({
      massG: a.massG ?? 0,
      waterPct: a.of.waterPct ?? (a.of.kind === 'water-based-paint' ? PAINT_WATER_PCT : 0),
    })),
  );

function waterWarnings(c: PlanCase, amounts: PlanAmounts): PlanWarning[] {
  const waterG = plannedWaterG(amounts);
  if (c.product.family !== 'polyurethane' || waterG === 0) return [];
  const gasML = co2FromWaterML(waterG, c.resinC, c.ambientKPa);
  const resinML = amounts.mixedMassG / (c.product.mixedDensityGPerML ?? SHEET_DENSITY_G_PER_ML);
  const share = (100 * gasML) / resinML;
  return share < CO2_TOO_MUCH_PER_100ML
    ? []
    : [
        forbid(
          'water-makes-gas',
          `The ${c.say(waterG, 'g')} of water in the additives make about ${c.say(gasML, 'mL')} of gas in ${c.say(resinML, 'mL')} of resin.`,
          gasML,
          (CO2_TOO_MUCH_PER_100ML * resinML) / 100,
          'mL',
        ),
      ];
}

/** Liquid in the cup, and the room it needs with foam under vacuum, mL. */
export function cupNeed(c: PlanCase, amounts: PlanAmounts): { liquidML: number; neededML: number } {
  const liquidML =
    (amounts.mixedMassG + amounts.additiveMassG) / (c.product.mixedDensityGPerML ?? SHEET_DENSITY_G_PER_ML);
  return { liquidML, neededML: liquidML * cupHeadroom(c.route) };
}

function scaleWarnings({ say, request }: PlanCase, amounts: PlanAmounts): PlanWarning[] {
  const { scaleStepG, scaleCapacityG, cupMassG } = request.gear ?? {};
  const { smallestSafeG, mixedMassG } = amounts;
  const found: PlanWarning[] = [];
  if (scaleStepG != null && smallestSafeG !== null && mixedMassG < smallestSafeG) {
    const from = Number.isFinite(smallestSafeG) ? smallestSafeG : null;
    const steps = `A scale that steps by ${say(scaleStepG, 'g')}`;
    const says =
      from === null
        ? `${steps} cannot weigh this ratio safely, however much is mixed.`
        : `${steps} weighs this ratio safely from ${say(from, 'g')} on.`;
    found.push(warn('scale-too-coarse', says, mixedMassG, from, 'g'));
  }
  const onScaleG = mixedMassG + (cupMassG ?? 0);
  if (scaleCapacityG != null && onScaleG > scaleCapacityG) {
    const says = `The scale ends at ${say(scaleCapacityG, 'g')}; cup and batch are ${say(onScaleG, 'g')}.`;
    found.push(forbid('over-scale', says, onScaleG, scaleCapacityG, 'g'));
  }
  return found;
}

function cupWarnings(c: PlanCase, amounts: PlanAmounts): PlanWarning[] {
  const { say } = c;
  const cupML = c.request.gear?.cupVolumeML ?? null;
  const { liquidML, neededML } = cupNeed(c, amounts);
  if (cupML === null || neededML <= cupML) return [];
  if (liquidML > cupML) {
    const says = `The cup holds ${say(cupML, 'mL')}; the mix is ${say(liquidML, 'mL')}.`;
    return [forbid('cup-too-small', says, liquidML, cupML, 'mL')];
  }
  const says = isVacuumed(c.route)
    ? `Foam under vacuum needs ${VACUUM_HEADROOM} times the liquid: a cup of ${say(neededML, 'mL')}. Degas in parts, or take a bigger cup.`
    : `The cup is full to the brim: ${say(liquidML, 'mL')} in ${say(cupML, 'mL')}.`;
  return [warn('cup-no-headroom', says, cupML, neededML, 'mL')];
}

function vacuumWarnings({ say, product, route, request }: PlanCase): PlanWarning[] {
  if (!isVacuumed(route)) return [];
  const pumpKPa = request.gear?.vacuumKPaAbs ?? null;
  const askedKPa = product.degas?.vacuumKPaAbs ?? null;
  const found: PlanWarning[] = [];
  if (product.family === 'polyester' || product.hazards?.includes('styrene'))
    found.push(forbid('styrene-under-vacuum', 'Styrene boils under vacuum. Rest it instead.'));
  if (pumpKPa === null) {
    const says = "No vacuum pump was named; the card's vacuum is taken.";
    found.push(warn('no-vacuum-gear', says, null, askedKPa, 'kPa'));
  } else if (askedKPa !== null && pumpKPa > askedKPa) {
    const says = `The pump ends at ${say(pumpKPa, 'kPa')} absolute; the card asks for ${say(askedKPa, 'kPa')} or less.`;
    found.push(warn('vacuum-too-shallow', says, pumpKPa, askedKPa, 'kPa'));
  }
  return found;
}

const gearWarnings = (c: PlanCase, amounts: PlanAmounts): PlanWarning[] => [
  ...scaleWarnings(c, amounts),
  ...cupWarnings(c, amounts),
  ...vacuumWarnings(c),
];

/** A mould with so few pulls left is told. */
const FEW_PULLS = 3;

/** What speaks against a mould by its own state, whatever goes into it. */
function mouldState(mould: NonNullable<PlanCase['request']['mould']>): PlanWarning[] {
  const found: PlanWarning[] = [];
  if (mould.clean === false) found.push(warn('mould-not-clean', 'The mould is not clean: what lies in it prints.'));
  if (mould.pullsLeft != null && mould.pullsLeft <= FEW_PULLS)
    found.push(
      warn(
        'mould-worn',
        mould.pullsLeft > 0
          ? `The mould has ${mould.pullsLeft} ${mould.pullsLeft === 1 ? 'pull' : 'pulls'} left of those it is expected to last.`
          : 'The mould has had the pulls it is expected to last.',
        mould.pullsLeft,
        FEW_PULLS,
      ),
    );
  return found;
}

function mouldWarnings(c: PlanCase): PlanWarning[] {
  const { product } = c;
  const mould = c.request.mould ?? {};
  const found: PlanWarning[] = mouldState(mould);
  if (isPressed(c.route) && mould.degassed === false)
    found.push(
      warn('mould-not-degassed', 'The mould was not degassed: its own bubbles print as pimples under pressure.'),
    );
  if (mould.rubber && (product.inhibitedBy as readonly string[] | null | undefined)?.includes(mould.rubber))
    found.push(forbid('inhibited', `${mould.rubber.replaceAll('-', ' ')} stops this product's cure.`));
  if (mould.rubber === 'tin-silicone' && product.family === 'polyurethane' && product.clarity !== 'opaque')
    found.push(
      warn(
        'tin-mould',
        'Tin-cured rubber gives off alcohol, which fogs clear urethane. Bake the mould out first, or take platinum rubber.',
      ),
    );
  if ((c.request.want.additives ?? []).some((a) => a.solvent || a.kind === 'solvent-ink'))
    found.push(warn('solvent-flame', 'Solvent ink is flammable: no flame while it is wet.'));
  return found;
}

/** How what is cast in went before in this product, and whether it is dry. */
function castInWarnings(c: PlanCase): PlanWarning[] {
  const inclusion = c.request.mould?.inclusion;
  if (!inclusion) return [];
  // Heat and moisture are told by the plan's own figures.
  return inclusionWarnings(inclusion, c.product, c.say)
    .filter((w) => w.code === 'went-badly' || w.code === 'never-met' || w.code === 'not-dry')
    .map((w) => warn(`cast-in-${w.code}`, `${inclusion.what}: ${w.says}`));
}

/** A dose so far from the card's band that the law of its pot life is not trusted there. */
function doseWarnings(c: PlanCase, amounts: PlanAmounts): PlanWarning[] {
  const dose = doseEffect(c.product, amounts.catalystPct);
  if (dose === null || dose.trusted) return [];
  const says = `${c.say(amounts.catalystPct ?? 0, '%')} is so far from the card's band that its pot life cannot be told from it.`;
  return [warn('dose-not-trusted', says, amounts.catalystPct, null, '%')];
}

/** Everything that speaks against a plan, what forbids it first. */
export function planWarnings({ case: c, amounts, curve, timeline, pressing }: TimeBudget): PlanWarning[] {
  const all = [
    ...cardWarnings(c, amounts, timeline, pressing),
    ...cupHeat(c, curve),
    ...guessedHeat(c.product, curve),
    ...doseWarnings(c, amounts),
    ...dampWarnings(c),
    ...waterWarnings(c, amounts),
    ...gearWarnings(c, amounts),
    ...mouldWarnings(c),
    ...castInWarnings(c),
    ...(pressing?.warnings ?? []),
  ];
  return [...all.filter((w) => w.stop), ...all.filter((w) => !w.stop)];
}
