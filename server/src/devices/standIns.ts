import type { Device } from './device';
import { roomSensor } from './roomSensor';

/** The simulated devices that ship with the application, in place of ones on a wire. */
export const standInDevices = (): readonly Device[] => [roomSensor()];
