import type { Device, Subject } from './device';
import { vacuumGauge, vesselGauge } from './gauges';
import { hardnessTester } from './hardnessTester';
import { roomSensor } from './roomSensor';
import { scale } from './scale';
import { thermometer } from './thermometer';

/** The simulated devices that ship with the application, in place of ones on a wire. */
export const standInDevices = (subjectOf: (code: string) => Promise<Subject>): readonly Device[] => [
  roomSensor(),
  scale(),
  thermometer(subjectOf),
  vesselGauge(),
  vacuumGauge(),
  hardnessTester(subjectOf),
];
