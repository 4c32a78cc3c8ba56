import type { SlabState } from './slabSystem';
import type { SlabConditions, SlabCurve } from './slabTypes';

/** Pictures kept of a run, thinned as it grows. */
const MAX_KEPT = 400;

interface Picture {
  readonly minute: number;
  readonly temperature: number[];
  readonly alpha: number[];
}

/** What a run of the slab shows as it goes: its peak, when each node gels, when it is cool, and pictures of it. */
export interface SlabRecorder {
  /** A step of `h` minutes that ended at `minute`. */
  readonly look: (state: SlabState, before: SlabState, minute: number, h: number) => void;
  readonly keep: (state: SlabState, minute: number) => void;
  /** The end of the run is kept, whatever was thinned. */
  readonly keepLast: (state: SlabState, minute: number) => void;
  readonly coolMin: () => number | null;
  readonly allGelled: () => boolean;
  readonly curve: (
    positionsMm: readonly number[],
  ) => Omit<SlabCurve, 'status' | 'steps' | 'energyError' | 'positionsMm'>;
}

/** The place of the last of them to gel; a node that never did is later than any. */
const lastToGel = (gelMin: readonly (number | null)[]) =>
  gelMin.reduce<number>((best, m, i) => ((m ?? Infinity) > (gelMin[best] ?? Infinity) ? i : best), 0);

/** @param maxC temperature that no picture shows passed, °C */
export function slabRecorder(c: SlabConditions, maxC: number): SlabRecorder {
  const peak = { c: c.resinC, minute: 0, node: 0 };
  const gelMin = Array.from({ length: c.nodes }, (): number | null => (c.alpha >= c.alphaGel ? 0 : null));
  let coolMin: number | null = null;
  /** Furthest from the room after the step before, K. */
  let awayK = Math.abs(c.resinC - c.roomC);
  let kept: Picture[] = [];
  let [every, accepted] = [1, 0];

  const keep = (state: SlabState, minute: number) => {
    const temperature = Array.from(state.temperature.subarray(0, c.nodes), (v) => Math.min(v, maxC));
    kept.push({ minute, temperature, alpha: [...state.alpha] });
  };
  /** @returns how far the furthest node is from the room, K */
  const lookAtNodes = (state: SlabState, before: SlabState, minute: number, h: number): number => {
    let furthest = 0;
    for (let i = 0; i < c.nodes; i += 1) {
      const t = Math.min(state.temperature[i]!, maxC);
      if (t > peak.c) Object.assign(peak, { c: t, minute, node: i });
      furthest = Math.max(furthest, Math.abs(t - c.roomC));
      if (gelMin[i] !== null || state.alpha[i]! < c.alphaGel) continue;
      const [a0, a1] = [before.alpha[i]!, state.alpha[i]!];
      gelMin[i] = minute - h + h * (a1 > a0 ? (c.alphaGel - a0) / (a1 - a0) : 1);
    }
    return furthest;
  };
  return {
    look: (state, before, minute, h) => {
      const furthest = lookAtNodes(state, before, minute, h);
      // Between two steps the distance from the room runs straight.
      const within = awayK > furthest ? Math.max(0, (awayK - c.coolK) / (awayK - furthest)) : 1;
      if (furthest > c.coolK) coolMin = null;
      else coolMin ??= minute - h + h * Math.min(1, within);
      awayK = furthest;
      accepted += 1;
      if (accepted % every === 0) keep(state, minute);
      if (kept.length < MAX_KEPT) return;
      kept = kept.filter((_, i) => i % 2 === 0);
      every *= 2;
    },
    keep,
    keepLast: (state, minute) => {
      if (kept.at(-1)!.minute < minute) keep(state, minute);
    },
    coolMin: () => coolMin,
    allGelled: () => gelMin.every((m) => m !== null),
    curve: (positionsMm) => {
      const last = lastToGel(gelMin);
      return {
        minutes: kept.map((k) => k.minute),
        temperatureC: kept.map((k) => k.temperature),
        alpha: kept.map((k) => k.alpha),
        peakC: peak.c,
        peakMin: peak.minute,
        peakAtMm: positionsMm[peak.node]!,
        centreGelMin: gelMin[Math.floor(c.nodes / 2)] ?? null,
        lastGelMin: gelMin[last] ?? null,
        lastGelAtMm: positionsMm[last]!,
        coolMin: coolMin === null ? null : Math.max(coolMin, peak.minute),
      };
    },
  };
}
