import { DeviceSilent } from './device';

/** A stand-in that can be made to drop out for a while, and comes back by itself. */
export function silence(name: string) {
  let until = 0;
  return {
    fall: (now: Date, seconds: number) => {
      until = now.getTime() + seconds * 1000;
    },
    /** @throws DeviceSilent while it is silent */
    check: (now: Date) => {
      if (now.getTime() < until) throw new DeviceSilent(name);
    },
  };
}
