import type { PlanRequest } from '../formats/plan';
import { cupNeed } from './planWarnings';
import { timeBudget, type TimeBudget } from './timeBudget';

/** Something that would give time, and how much. */
export interface TimeHelp {
  readonly what: string;
  readonly says: string;
  readonly gainMin: number;
}

/** Depth to which a batch is spread to keep it cool, mm. */
const SPREAD_MM = 15;
/** Gains under this are not worth saying, min, nor under this share of pot life. */
const LEAST_GAIN_MIN = 0.1;
const LEAST_GAIN_SHARE = 0.02;

interface Change {
  readonly what: string;
  readonly says: (b: TimeBudget) => string;
  readonly request: PlanRequest;
}

function changesOf(b: TimeBudget): Change[] {
  const { request, resinC, loadMin, pourMin, product, say } = b.case;
  const coolest = Math.max(product.resin?.minC ?? resinC - 5, Math.min(resinC, b.case.roomC) - 8);
  const spreadMm = Math.sqrt((cupNeed(b.case, b.amounts).liquidML * 1000 * 4) / (Math.PI * SPREAD_MM));
  const half = b.amounts.mixedMassG / 2;
  const tankL = request.gear?.compressorTankL;
  const changes: (Change | null)[] = [
    coolest < resinC - 0.5
      ? {
          what: 'cooler',
          says: () => `Start the resin at ${say(coolest, '°C')}, the coolest the card allows here`,
          request: { ...request, conditions: { ...request.conditions, resinC: coolest } },
        }
      : null,
    {
      what: 'two-batches',
      says: () => `Two batches of ${say(half, 'g')}, one after the other`,
      request: {
        ...request,
        want: { ...request.want, volumeML: null, mixedMassG: half, lossPct: null, round: null },
        handling: { ...request.handling, pourMin: pourMin / 2 },
      },
    },
    {
      what: 'spread-out',
      says: () => `Pour it at once into a flat tray, ${say(SPREAD_MM, 'mm')} deep, and pour from there`,
      request: {
        ...request,
        gear: { ...request.gear, cupDiameterMm: Math.max(spreadMm, request.gear?.cupDiameterMm ?? 0) },
      },
    },
    loadMin > 0
      ? {
          what: 'faster-loading',
          says: () => `Have vessel and lid ready: load in ${say(loadMin / 2, 'min')}`,
          request: { ...request, handling: { ...request.handling, loadMin: loadMin / 2 } },
        }
      : null,
    tankL != null && b.pressing?.minutes
      ? {
          what: 'bigger-tank',
          says: () => `A tank of ${say(tankL * 2, 'L')} beside the pump`,
          request: { ...request, gear: { ...request.gear, compressorTankL: tankL * 2 } },
        }
      : null,
    {
      what: 'faster-pour',
      says: () => `Pour in ${say(pourMin * 0.6, 'min')}: two people, or a wider lip`,
      request: { ...request, handling: { ...request.handling, pourMin: pourMin * 0.6 } },
    },
  ];
  return changes.filter((c): c is Change => c !== null);
}

/** What would help most, each worked out on its own; nothing where the pot life is not known. */
export function planHelp(b: TimeBudget): TimeHelp[] {
  const { spareMin, curve } = b;
  if (spareMin === null || curve.from !== 'model') return [];
  const least = Math.max(LEAST_GAIN_MIN, LEAST_GAIN_SHARE * (curve.potLifeMin ?? 0));
  return changesOf(b)
    .map((change) => ({
      what: change.what,
      says: change.says(b),
      gainMin: (timeBudget(change.request, b.case.say).spareMin ?? spareMin) - spareMin,
    }))
    .filter((h) => h.gainMin >= least)
    .sort((x, y) => y.gainMin - x.gainMin);
}
