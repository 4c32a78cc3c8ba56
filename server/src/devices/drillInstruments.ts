import { gaugeAt, pouredG, soundBatch, type BenchCase, type BenchState } from '@warm-jar/core';
import { vesselGauge } from './gauges';
import { scale } from './scale';
import { thermometer } from './thermometer';

/** What the instruments of a drilled run show. */
export interface DrillReadings {
  readonly scaleG: number;
  readonly gaugeKPa: number;
  /** The resin in its bottles; null until somebody pointed the thermometer at them. */
  readonly resinC: number | null;
}

/** The run's own seconds as moments, for stand-ins that go by a clock. */
const at = (seconds: number) => new Date(Date.UTC(2027, 2, 18) + seconds * 1000);
/** How long a display has to settle on what lies on it, s. */
const SETTLED_S = 10;

/** The scale with what was poured on it: its own settling, step and flicker. */
function scaleG(c: BenchCase, state: BenchState): number {
  const device = scale({ code: 'drill-scale', name: 'the scale' });
  const open = state.pours.find((p) => p.open);
  const [now, total] = [state.nowS, pouredG(c, state, 'A') + pouredG(c, state, 'B')];
  if (open) {
    const sinceS = now - open.fromS;
    const before = total - open.gPerS * sinceS;
    if (before > 0) device.act!(at(open.fromS - SETTLED_S), { do: 'put', massG: before });
    device.act!(at(open.fromS), { do: 'pour', massG: 10_000, gPerS: open.gPerS });
  } else if (total > 0) device.act!(at(Math.max(0, ...state.pours.map((p) => p.toS))), { do: 'put', massG: total });
  return device.read(at(now), null)[0]!.value;
}

/** The gauge of the pot at what stands in it: in whole kilopascals, with its flicker. */
function gaugeKPa(state: BenchState): number {
  const device = vesselGauge({ code: 'drill-pot', name: 'the pot' });
  device.act!(at(state.nowS), { do: 'fill', toKPa: gaugeAt(state, state.nowS), minutes: 0 });
  return device.read(at(state.nowS), null)[0]!.value;
}

/** The infrared thermometer pointed at a bottle: a little low, with noise. */
function resinC(c: BenchCase, { lotReadC, nowS }: BenchState): number | null {
  if (lotReadC === null) return null;
  const batch = soundBatch(c.product.slug, {
    startedAt: null,
    resin: { temperatureAC: lotReadC, temperatureBC: lotReadC },
  });
  const device = thermometer({ code: 'drill-thermometer', name: 'the thermometer' }, () =>
    Promise.resolve({ batch, product: c.product }),
  );
  return device.read(at(nowS), { batch, product: c.product })[0]!.value;
}

/** Reads the simulated instruments at the moment of a run. */
export const drillReadings = (c: BenchCase, state: BenchState): DrillReadings => ({
  scaleG: scaleG(c, state),
  gaugeKPa: gaugeKPa(state),
  resinC: resinC(c, state),
});
