import type { PlanRequest, PlannedAdditive } from '../formats/plan';
import { askedCatalystPct } from '../mixing/askedCatalyst';
import { cupNeed } from './planWarnings';
import { timeBudget, type TimeBudget } from './timeBudget';

/** Something that would give time, and how much. */
export interface TimeHelp {
  readonly what: string;
  readonly says: string;
  readonly gainMin: number;
  /** What of the plan would be set, where it is a setting. */
  readonly set?: { readonly resinC?: number; readonly catalystPct?: number };
}

/** Depth to which a batch is spread to keep it cool, mm. */
const SPREAD_MM = 15;
/** Gains under this are not worth saying, min, nor under this share of pot life. */
const MIN_GAIN_MIN = 0.1;
const MIN_GAIN_SHARE = 0.02;

interface Change {
  readonly what: string;
  readonly says: (b: TimeBudget) => string;
  readonly request: PlanRequest;
  readonly set?: TimeHelp['set'];
}

const halved = (a: PlannedAdditive): PlannedAdditive => ({
  ...a,
  massG: a.massG == null ? a.massG : a.massG / 2,
  drops: a.drops == null ? a.drops : Math.round(a.drops / 2),
});

/** How far under what the room asks a dose may go and still cure, as a share of the card's band (bench judgement). */
const LESS_SHARE = 0.2;

/** A smaller dose that the room still lets cure; null where the plan has none to give. */
function lessCatalyst({ case: c, amounts }: TimeBudget): Change | null {
  const { minPct, maxPct } = c.product.ratio.catalyst ?? {};
  const asked = askedCatalystPct(c.product, c.roomC);
  if (amounts.catalystPct === null || minPct == null || maxPct == null || asked === null) return null;
  const least = Math.round(Math.max(minPct, asked - LESS_SHARE * (maxPct - minPct)) * 100) / 100;
  if (least > amounts.catalystPct - 0.01) return null;
  return {
    what: 'less-catalyst',
    says: () => `Catalyst at ${c.say(least, '%')}, the least that this room lets cure`,
    request: { ...c.request, want: { ...c.request.want, catalystPct: least } },
    set: { catalystPct: least },
  };
}

/** A pour by two people or over a wider lip takes this share of the time. */
const FASTER = 0.6;

type MakeChange = (b: TimeBudget) => Change | null;

const cooler: MakeChange = ({ case: { request, resinC, roomC, product, say } }) => {
  const coolest = Math.max(product.resin?.minC ?? resinC - 5, Math.min(resinC, roomC) - 8);
  if (coolest >= resinC - 0.5) return null;
  return {
    what: 'cooler',
    says: () => `Start the resin at ${say(coolest, '°C')}, the coolest the card allows here`,
    request: { ...request, conditions: { ...request.conditions, resinC: coolest } },
    set: { resinC: coolest },
  };
};

const twoBatches: MakeChange = ({ amounts, case: { request, pourMin, say } }) => {
  const half = amounts.mixedMassG / 2;
  const additives = (request.want.additives ?? []).map(halved);
  const want = { ...request.want, volumeML: null, mixedMassG: half, lossPct: null, round: null, additives };
  return {
    what: 'two-batches',
    says: () => `Two batches of ${say(half, 'g')}, one after the other`,
    request: { ...request, want, handling: { ...request.handling, pourMin: pourMin / 2 } },
  };
};

const spreadOut: MakeChange = ({ amounts, case: c }) => {
  const { request, say } = c;
  const spreadMm = Math.sqrt((cupNeed(c, amounts).liquidML * 1000 * 4) / (Math.PI * SPREAD_MM));
  const cupDiameterMm = Math.max(spreadMm, request.gear?.cupDiameterMm ?? 0);
  return {
    what: 'spread-out',
    says: () => `Pour it at once into a flat tray, ${say(SPREAD_MM, 'mm')} deep, and pour from there`,
    request: { ...request, gear: { ...request.gear, cupDiameterMm } },
  };
};

const fasterLoading: MakeChange = ({ case: { request, loadMin, say } }) => {
  if (loadMin <= 0) return null;
  return {
    what: 'faster-loading',
    says: () => `Have vessel and lid ready: load in ${say(loadMin / 2, 'min')}`,
    request: { ...request, handling: { ...request.handling, loadMin: loadMin / 2 } },
  };
};

const biggerTank: MakeChange = ({ pressing, case: { request, say } }) => {
  const tankL = request.gear?.compressorTankL;
  if (tankL == null || !pressing?.minutes) return null;
  return {
    what: 'bigger-tank',
    says: () => `A tank of ${say(tankL * 2, 'L')} beside the pump`,
    request: { ...request, gear: { ...request.gear, compressorTankL: tankL * 2 } },
  };
};

const fasterPour: MakeChange = ({ case: { request, pourMin, say } }) => ({
  what: 'faster-pour',
  says: () => `Pour in ${say(pourMin * FASTER, 'min')}: two people, or a wider lip`,
  request: { ...request, handling: { ...request.handling, pourMin: pourMin * FASTER } },
});

/** What could be done otherwise, one function a change. */
const CHANGES: readonly MakeChange[] = [
  cooler,
  twoBatches,
  spreadOut,
  fasterLoading,
  lessCatalyst,
  biggerTank,
  fasterPour,
];
const changesOf = (b: TimeBudget): Change[] => CHANGES.map((make) => make(b)).filter((c) => c !== null);

/** What would help most, each worked out on its own; nothing where the pot life is not known. */
export function planHelp(b: TimeBudget): TimeHelp[] {
  const { spareMin, curve } = b;
  if (spareMin === null || curve.from !== 'model') return [];
  const least = Math.max(MIN_GAIN_MIN, MIN_GAIN_SHARE * (curve.potLifeMin ?? 0));
  return changesOf(b)
    .map((change) => ({
      what: change.what,
      says: change.says(b),
      ...(change.set ? { set: change.set } : {}),
      gainMin: (timeBudget(change.request, b.case.say).spareMin ?? spareMin) - spareMin,
    }))
    .filter((h) => h.gainMin >= least)
    .sort((x, y) => y.gainMin - x.gainMin);
}
