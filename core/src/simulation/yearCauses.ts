import type { Product } from '../formats/product';
import type { CauseId, SymptomKind } from '../formats/vocabulary';
import type { Chance } from './chance';
import { minuteOfDay, monthOf, type Job } from './yearCalendar';
import type { Patch } from './injectedFault';

/** The causes planted in the year, that nobody wrote down. */
export const HIDDEN_CAUSES = [
  'nicked-mould',
  'damp-august',
  'open-lot',
  'small-compressor',
  'cold-january',
  'cheap-scale',
  'lamp-left-on',
  'worn-mould',
] as const;
export type HiddenCause = (typeof HIDDEN_CAUSES)[number];

/** What was seen on a piece, with the catalogue's cause behind it. */
export interface Fault {
  readonly kind: SymptomKind;
  readonly pattern: string;
  readonly severity: number;
  readonly cause: CauseId;
  readonly afterH?: number;
  readonly check?: Patch;
}

/**
 * What a hidden cause does to a casting that it touches: the trace in its record, and how often the piece is spoiled.
 */
export interface CauseTouch {
  readonly name: HiddenCause;
  readonly patch: Patch;
  readonly forgottenLot?: boolean;
  readonly rate: number;
  readonly fault: (chance: Chance) => Fault;
}

export interface TouchScene {
  readonly job: Job;
  readonly card: Product;
  readonly nowMs: number;
  readonly gelMin: number | null;
  readonly chance: Chance;
}

const DAY_MS = 86_400_000;
const daysAgo = ({ job, nowMs }: TouchScene) => (nowMs - job.startMs) / DAY_MS;
const fault = (
  kind: SymptomKind,
  pattern: string,
  severity: number,
  cause: CauseId,
  more: Partial<Fault> = {},
): Fault => ({ kind, pattern, severity, cause, ...more });

/** The small compressor came this long ago; the open lot was used from then to then, days ago. */
const [COMPRESSOR_DAYS, LOT_FROM, LOT_TO] = [330, 193, 47];

const TOUCHES: Record<HiddenCause, (scene: TouchScene) => Omit<CauseTouch, 'name'> | null> = {
  'damp-august': ({ job, card, chance }) => {
    if (monthOf(job.startMs) !== 8 || (card.family !== 'polyurethane' && job.slug !== 'house-coat-9')) return null;
    const humidityPct = (card.room?.maxHumidityPct ?? 62) + chance.between(5, 16);
    return {
      patch: { room: { humidityPct } },
      rate: 0.95,
      fault: (c) =>
        card.family === 'epoxy'
          ? fault('tacky', 'greasy-film', 2, 'amine-blush')
          : fault('bubbles', 'micro-throughout', c.flip(0.5) ? 3 : 4, 'damp-resin'),
    };
  },
  'open-lot': (scene) => {
    const ago = daysAgo(scene);
    if (
      scene.job.slug !== 'house-clear-6' ||
      ago > LOT_FROM ||
      ago < LOT_TO ||
      scene.job.totalG > 260 ||
      monthOf(scene.job.startMs) === 8 ||
      !scene.chance.flip(0.8)
    )
      return null;
    return {
      patch: {},
      forgottenLot: true,
      rate: 0.92,
      fault: (c) =>
        c.flip(0.9)
          ? fault('bubbles', 'micro-throughout', 3, 'old-or-damp-lot')
          : fault('soft', 'all-over', 2, 'old-or-damp-lot'),
    };
  },
  'nicked-mould': ({ job, chance }) => {
    if (job.mould !== 'M-12') return null;
    const spot = () => ({
      cavity: 2,
      x: 0.62 + chance.normal(0, 0.015),
      y: 0.3 + chance.normal(0, 0.015),
      kind: 'bubbles',
    });
    return {
      patch: {},
      rate: 0.7,
      fault: () =>
        fault('bubbles', 'same-spot', 2, 'mould-flaw', { check: { spots: [spot()], note: 'cavity 3, neck' } }),
    };
  },
  'small-compressor': (scene) => {
    const { job, card, gelMin, chance } = scene;
    if (
      card.pressure?.minKPa == null ||
      gelMin === null ||
      daysAgo(scene) > COMPRESSOR_DAYS ||
      (job.totalG < 350 && !chance.flip(0.3))
    )
      return null;
    const closed = gelMin * chance.between(0.62, 0.72);
    const reachedMin = gelMin * chance.between(1.12, 1.45);
    return {
      patch: {
        pressure: { startedMin: closed, reachedMin, releasedMin: reachedMin + (card.pressure.holdMin ?? 60) + 12 },
      },
      rate: 0.85,
      fault: (c) => fault('bubbles', 'micro-throughout', c.flip(0.7) ? 3 : 2, 'pressure-late'),
    };
  },
  'cold-january': ({ job, card, chance }) => {
    if (
      monthOf(job.startMs) !== 1 ||
      minuteOfDay(job.startMs) > 11 * 60 ||
      card.family === 'silicone' ||
      card.family === 'uv-acrylate'
    )
      return null;
    const roomC = chance.between(13.8, 16.2);
    return {
      patch: {
        room: { temperatureC: roomC },
        cure: { temperatureC: roomC + 0.5 },
        resin: { temperatureAC: roomC + 1, temperatureBC: roomC + 1, atPourC: roomC + 2 },
        ...(job.mould ? { mould: { temperatureC: roomC } } : {}),
      },
      rate: 0.7,
      fault: (c) =>
        c.flip(0.6) ? fault('soft', 'all-over', 2, 'cold-cure') : fault('tacky', 'tacky-all-over', 3, 'cold-cure'),
    };
  },
  'cheap-scale': ({ job, card, chance }) => {
    if (card.ratio.byWeight == null || card.family === 'silicone' || job.totalG > 150 || !chance.flip(0.5)) return null;
    return {
      patch: { mix: { scaleStepG: 5 } },
      rate: 0.5,
      fault: (c) =>
        c.flip(0.6) ? fault('tacky', 'tacky-all-over', 3, 'ratio-off') : fault('soft', 'all-over', 3, 'ratio-off'),
    };
  },
  'worn-mould': ({ job }) =>
    job.mould !== 'M-01' || (job.pulls ?? 0) < 26
      ? null
      : {
          patch: { mould: { clean: true } },
          rate: 0.85,
          fault: () =>
            fault('haze', 'unspecified', 2, 'surface-texture', { check: { note: 'dull skin, clear inside' } }),
        },
  'lamp-left-on': ({ job, chance }) => {
    if (job.slug !== 'house-clear-6' || job.mould !== 'M-14' || !chance.flip(0.3)) return null;
    return {
      patch: { cure: { lightMJPerCM2: Math.round(chance.between(1900, 3200)) } },
      rate: 0.9,
      fault: (c) =>
        fault('yellowing', 'surface-exposed-to-light', 2, 'light-yellowed', {
          afterH: Math.round(c.between(160, 230)),
          check: { deltaB: Math.round(c.between(32, 58)) / 10, note: 'where the lamp stood for the fills' },
        }),
    };
  },
};

/** The hidden causes that touch a casting. */
export const touchesOf = (scene: TouchScene): CauseTouch[] =>
  HIDDEN_CAUSES.flatMap((name) => {
    const touch = TOUCHES[name](scene);
    return touch ? [{ name, ...touch }] : [];
  });
