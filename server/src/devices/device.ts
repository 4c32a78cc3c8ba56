/** One figure that a device gives, in stored units. */
export interface DeviceValue { readonly what: 'room' | 'humidity'; readonly value: number; readonly unit: '°C' | '%' }

/** Anything on the bench that can be read. A simulated stand-in is one kind of it; one on a wire would be another. */
export interface Device {
  readonly code: string;
  readonly name: string;
  readonly kind: 'room-sensor';
  readonly standIn: boolean;
  /** @throws where the device does not answer */
  readonly read: (now: Date) => Promise<readonly DeviceValue[]>;
}
