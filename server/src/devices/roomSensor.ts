import type { DeviceId, StandIn } from './device';
import { noiseAt } from './noise';
import { silence } from './silence';

const HOUR_MS = 3_600_000;
/** The loft's day: mean and swing of temperature, °C, coldest before dawn. */
const [MEAN_C, SWING_C, WARMEST_H] = [20, 3, 16];
/** Damp goes against warmth, % a kelvin, about its own mean. */
const [MEAN_PCT, PCT_PER_K] = [58, -2.2];
/** What the sensor shows is to a tenth of a degree and a whole per cent, and never quite still. */
const NOISE_C = 0.15;

/** A stand-in for the sensor on the wall: a day's swing, a drift from day to day, noise from minute to minute. */
export function roomSensor(id: DeviceId): StandIn {
  const quiet = silence(id.name);
  return {
    ...id,
    kind: 'room-sensor',
    standIn: true,
    act: (now, act) => {
      if (act.do === 'silence') quiet.fall(now, act.seconds);
    },
    read: (now) => {
      quiet.check(now);
      const hours = now.getTime() / HOUR_MS;
      const day = Math.cos(((hours % 24) - WARMEST_H) * (Math.PI / 12));
      const drift = 1.5 * noiseAt(Math.floor(hours / 24));
      const temperatureC = MEAN_C + SWING_C * day + drift + NOISE_C * noiseAt(Math.floor(now.getTime() / 60_000));
      const humidityPct = MEAN_PCT + PCT_PER_K * (temperatureC - MEAN_C) + 4 * noiseAt(Math.floor(hours / 24) + 7);
      return [
        { what: 'room', value: Math.round(temperatureC * 10) / 10, unit: '°C', settled: true },
        { what: 'humidity', value: Math.round(Math.min(95, Math.max(20, humidityPct))), unit: '%', settled: true },
      ];
    },
  };
}
