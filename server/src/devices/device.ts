import type { Batch, DeviceAct, DeviceKind, DeviceValue, Product } from '@warm-jar/core';

/** What a device is pointed at: a batch, for the ones that read the resin or the piece. */
export interface Subject {
  readonly batch: Batch;
  readonly product: Product;
}

/** Which piece of gear a device is. */
export interface DeviceId {
  readonly code: string;
  readonly name: string;
  /** What a scale steps by, g. */
  readonly stepG?: number | null;
  /** What a scale weighs up to, g. */
  readonly capacityG?: number | null;
}

/** Anything on the bench that can be read. A simulated stand-in is one kind of it; one on a wire is another. */
export interface Device extends DeviceId {
  readonly kind: DeviceKind;
  readonly standIn: boolean;
  /**
   * What it shows at a moment.
   * @throws DeviceSilent where the device does not answer; whatever else where it fails
   */
  readonly read: (now: Date, subject: Subject | null) => readonly DeviceValue[] | Promise<readonly DeviceValue[]>;
  /** Works a stand-in as hands would work the real thing; a device on a wire has none. */
  readonly act?: (now: Date, act: DeviceAct) => void;
  /** Looks up what a batch code stands for; only for devices that need it. */
  readonly subjectOf?: (code: string) => Promise<Subject>;
}

/** A simulated device: it answers at once. */
export interface StandIn extends Device {
  readonly read: (now: Date, subject: Subject | null) => readonly DeviceValue[];
}

/** Thrown by a device that does not answer. */
export class DeviceSilent extends Error {
  constructor(name: string, how = 'does not answer') {
    super(`${name} ${how}.`);
    this.name = 'DeviceSilent';
  }
}
