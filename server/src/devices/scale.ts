import type { DeviceId, StandIn } from './device';
import { flicker, toStep } from './noise';
import { silence } from './silence';

/** What it steps by where its gear does not say, g. */
const STEP_G = 0.1;
/** Noise of the cell, g, and the time it takes to settle on a new load, s. */
const [NOISE_G, SETTLE_S] = [0.03, 0.45];
/** A loaded cell creeps upwards, g a minute, up to a share of a gram. */
const [CREEP_G_PER_MIN, MAX_CREEP_G] = [0.02, 0.3];
/** A display is called settled when it is this near its load, g. */
const SETTLED_G = 0.15;

interface Load {
  readonly atMs: number;
  readonly from: number;
  readonly to: number;
  readonly gPerS: number;
}

/**
 * A stand-in for the bench scale: a load that is poured on, a cell that
 * settles, creeps and flickers, and steps of 0.1 g.
 */
export function scale(id: DeviceId): StandIn {
  const stepG = id.stepG ?? STEP_G;
  let load: Load = { atMs: 0, from: 0, to: 0, gPerS: 0 };
  let loadedAtMs = 0;
  const quiet = silence(id.name);
  const truth = (ms: number) => {
    if (load.gPerS === 0) return load.to;
    const grown = load.from + load.gPerS * Math.max(0, (ms - load.atMs) / 1000);
    return load.gPerS > 0 ? Math.min(load.to, grown) : load.to;
  };
  /** The display runs after the load by its settling time. */
  const shown = (ms: number) => {
    const sinceS = Math.max(0, (ms - load.atMs) / 1000);
    const lag =
      load.gPerS > 0 && truth(ms) < load.to
        ? load.gPerS * SETTLE_S
        : (load.to - load.from) *
          Math.exp(-Math.max(0, sinceS - (load.gPerS > 0 ? (load.to - load.from) / load.gPerS : 0)) / SETTLE_S) *
          (load.gPerS > 0 ? Math.min(1, (load.gPerS * SETTLE_S) / Math.max(1e-6, load.to - load.from)) : 1);
    return truth(ms) - lag;
  };
  return {
    ...id,
    kind: 'scale',
    standIn: true,
    read: (now) => {
      quiet.check(now);
      const ms = now.getTime();
      const value = shown(ms);
      const creep = value > 1 ? Math.min(MAX_CREEP_G, (CREEP_G_PER_MIN * (ms - loadedAtMs)) / 60_000) : 0;
      return [
        {
          what: 'scale',
          value: toStep(value + creep + NOISE_G * flicker(now, 2), stepG),
          unit: 'g',
          settled: Math.abs(value - truth(ms)) < SETTLED_G && (load.gPerS === 0 || truth(ms) >= load.to),
        },
      ];
    },
    act: (now, act) => {
      const ms = now.getTime();
      if (act.do === 'silence') {
        quiet.fall(now, act.seconds);
        return;
      }
      const standing = truth(ms);
      if (act.do === 'put') {
        load = { atMs: ms, from: standing, to: standing + act.massG, gPerS: 0 };
        if (standing < 1) loadedAtMs = ms;
      } else if (act.do === 'pour') {
        load = { atMs: ms, from: standing, to: standing + act.massG, gPerS: act.gPerS };
        if (standing < 1) loadedAtMs = ms;
      } else if (act.do === 'clear') load = { atMs: ms, from: standing, to: 0, gPerS: 0 };
    },
  };
}
