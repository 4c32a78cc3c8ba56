import { valueAlong, mixOfBatch, mixStartC, simulateCup, workingTime, type Batch, type Product } from '@warm-jar/core';
import type { DeviceId, StandIn, Subject } from './device';
import { flicker, toStep } from './noise';
import { silence } from './silence';

/** A thermometer that sees a shiny surface reads low, K; and its noise. */
const [LOW_K, NOISE_K] = [0.4, 0.25];
const curves = new WeakMap<Batch, ReturnType<typeof simulateCup>>();

/** The mix as the model has it at a moment, °C; the room where the parts have not met. */
export function mixC(product: Product, batch: Batch, now: Date): number {
  const roomC = batch.room?.temperatureC ?? 20;
  const startC = mixStartC(product, batch) ?? roomC;
  if (!batch.startedAt) return startC;
  let cup = curves.get(batch);
  if (!cup) {
    const { massG } = workingTime(product, batch);
    cup = simulateCup(product, { massG: massG ?? 200, resinC: startC, roomC, mix: mixOfBatch(product, batch) });
    curves.set(batch, cup);
  }
  if (!('curve' in cup)) return startC;
  const minute = Math.max(0, (now.getTime() - Date.parse(batch.startedAt)) / 60_000);
  const { minutes, temperatureC } = cup.curve;
  const endMin = minutes.at(-1)!;
  if (minute > endMin) return roomC + (temperatureC.at(-1)! - roomC) * Math.exp(-(minute - endMin) / 60);
  return valueAlong(minutes, temperatureC, minute);
}

/** A stand-in for the infrared thermometer: the mix by the model, read a little low, with noise, to a tenth. */
export function thermometer(id: DeviceId, subjectOf: (code: string) => Promise<Subject>): StandIn {
  const quiet = silence(id.name);
  return {
    ...id,
    kind: 'thermometer',
    standIn: true,
    subjectOf,
    read: (now, subject) => {
      quiet.check(now);
      const truth = subject ? mixC(subject.product, subject.batch, now) : 20;
      return [
        { what: 'resin', value: toStep(truth - LOW_K + NOISE_K * flicker(now, 3), 0.1), unit: '°C', settled: true },
      ];
    },
    act: (now, act) => {
      if (act.do === 'silence') quiet.fall(now, act.seconds);
    },
  };
}
