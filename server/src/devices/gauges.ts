import type { DeviceId, StandIn } from './device';
import { flicker, toStep } from './noise';
import { silence } from './silence';

const MIN_MS = 60_000;
/** Room pressure the vacuum gauge counts from, kPa. */
const ROOM_KPA = 101.3;

interface Ramp {
  readonly atMs: number;
  readonly from: number;
  readonly to: number;
  readonly minutes: number;
  readonly leakPerMin: number;
}

/** A pressure that goes from one value to another in a time, then leaks. */
function ramped(r: Ramp, ms: number): number {
  const minute = (ms - r.atMs) / MIN_MS;
  if (r.minutes > 0 && minute < r.minutes) return r.from + ((r.to - r.from) * minute) / r.minutes;
  return r.to - r.leakPerMin * Math.max(0, minute - r.minutes);
}

/** A vessel leaks this much by nature, kPa a minute: too little to matter over a hold. */
const NATURAL_LEAK = 0.01;

/**
 * A stand-in for the vessel's gauge: it is filled, it leaks, it is bled;
 * it shows whole kilopascals and flickers by one.
 */
export function vesselGauge(id: DeviceId): StandIn {
  let ramp: Ramp = { atMs: 0, from: 0, to: 0, minutes: 0, leakPerMin: 0 };
  const quiet = silence(`The gauge of ${id.name}`);
  const truth = (ms: number) => Math.max(0, ramped(ramp, ms));
  return {
    ...id,
    kind: 'vessel-gauge',
    standIn: true,
    read: (now) => {
      quiet.check(now);
      const value = truth(now.getTime());
      return [
        {
          what: 'gauge',
          value: Math.max(0, toStep(value + (value > 1 ? 0.7 * flicker(now, 4) : 0), 1)),
          unit: 'kPa',
          settled: true,
        },
      ];
    },
    act: (now, act) => {
      const ms = now.getTime();
      if (act.do === 'silence') quiet.fall(now, act.seconds);
      else if (act.do === 'fill')
        ramp = {
          atMs: ms,
          from: truth(ms),
          to: act.toKPa,
          minutes: act.minutes,
          leakPerMin: act.leakKPaPerMin ?? NATURAL_LEAK,
        };
      else if (act.do === 'bleed') ramp = { atMs: ms, from: truth(ms), to: 0, minutes: act.minutes, leakPerMin: 0 };
    },
  };
}

/** A stand-in for the vacuum gauge, absolute: pumped down towards its end, let in again. */
export function vacuumGauge(id: DeviceId): StandIn {
  let ramp: Ramp = { atMs: 0, from: ROOM_KPA, to: ROOM_KPA, minutes: 0, leakPerMin: 0 };
  const quiet = silence(`The vacuum gauge of ${id.name}`);
  return {
    ...id,
    kind: 'vacuum-gauge',
    standIn: true,
    read: (now) => {
      quiet.check(now);
      return [
        {
          what: 'vacuum',
          value: Math.max(0.1, toStep(ramped(ramp, now.getTime()) + 0.1 * flicker(now, 5), 0.1)),
          unit: 'kPa',
          settled: true,
        },
      ];
    },
    act: (now, act) => {
      const ms = now.getTime();
      if (act.do === 'silence') quiet.fall(now, act.seconds);
      else if (act.do === 'fill')
        ramp = { atMs: ms, from: ramped(ramp, ms), to: act.toKPa, minutes: act.minutes, leakPerMin: 0 };
      else if (act.do === 'bleed')
        ramp = { atMs: ms, from: ramped(ramp, ms), to: ROOM_KPA, minutes: act.minutes, leakPerMin: 0 };
    },
  };
}
