import { cureTemperatureC, expectedShore } from '@warm-jar/core';
import type { DeviceId, StandIn, Subject } from './device';
import { flicker } from './noise';
import { silence } from './silence';

/** Scatter of a hand-held tester, Shore points. */
const SCATTER = 1;

/** A stand-in for the hardness tester: what the piece should have by now, scattered as a hand-held reading is. */
export function hardnessTester(id: DeviceId, subjectOf: (code: string) => Promise<Subject>): StandIn {
  const quiet = silence(id.name);
  return {
    ...id,
    kind: 'hardness-tester',
    standIn: true,
    subjectOf,
    read: (now, subject) => {
      quiet.check(now);
      if (!subject?.batch.startedAt) return [{ what: 'shore', value: 0, unit: 'Shore', settled: true }];
      const minutes = Math.max(0, (now.getTime() - Date.parse(subject.batch.startedAt)) / 60_000);
      const shore = expectedShore(subject.product, minutes, cureTemperatureC(subject.batch) ?? 20) ?? 0;
      return [
        {
          what: 'shore',
          value: Math.max(0, Math.round(shore + (shore > 2 ? SCATTER * flicker(now, 6) : 0))),
          unit: 'Shore',
          settled: true,
        },
      ];
    },
    act: (now, act) => {
      if (act.do === 'silence') quiet.fall(now, act.seconds);
    },
  };
}
