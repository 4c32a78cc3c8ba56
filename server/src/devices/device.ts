import type { Batch, DeviceAct, DeviceKind, DeviceValue, Product } from '@warm-jar/core';

/** What a device is pointed at: a batch, for the ones that read the resin or the piece. */
export interface Subject {
  readonly batch: Batch;
  readonly product: Product;
}

/** Anything on the bench that can be read. A simulated stand-in is one kind of it; one on a wire would be another. */
export interface Device {
  readonly code: string;
  readonly name: string;
  readonly kind: DeviceKind;
  readonly standIn: boolean;
  /**
   * What it shows at a moment.
   * @throws where the device does not answer
   */
  readonly read: (now: Date, subject: Subject | null) => readonly DeviceValue[];
  /** Works a stand-in as hands would work the real thing; a device on a wire has none. */
  readonly act?: (now: Date, act: DeviceAct) => void;
  /** Looks up what a batch code stands for; only for devices that need it. */
  readonly subjectOf?: (code: string) => Promise<Subject>;
}

/** Thrown by a device that does not answer. */
export class DeviceSilent extends Error {
  constructor(name: string) {
    super(`${name} does not answer.`);
    this.name = 'DeviceSilent';
  }
}
