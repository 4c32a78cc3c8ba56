import { QueryTypes } from 'sequelize';
import type { Database } from './database';

/** A figure that a device posted. */
export interface PostedReading {
  readonly at: string;
  readonly what: string;
  readonly value: number;
  readonly unit: string;
}
export interface StoredReading extends PostedReading {
  readonly receivedAt: string;
}

/** Readings kept of one device; the oldest go first. */
const MAX_KEPT = 20_000;

/** What devices on a wire posted, late ones too. */
export function readingStore({ sequelize, write }: Database) {
  return {
    add: (device: string, readings: readonly PostedReading[], receivedAt: Date): Promise<void> =>
      write(async (transaction) => {
        for (const { at, what, value, unit } of readings)
          await sequelize.query(
            'INSERT INTO device_readings (device, at, received_at, what, value, unit) VALUES (?, ?, ?, ?, ?, ?)',
            {
              replacements: [device, new Date(at).toISOString(), receivedAt.toISOString(), what, value, unit],
              transaction,
            },
          );
        await sequelize.query(
          `DELETE FROM device_readings WHERE device = ? AND id <= (
             SELECT id FROM device_readings WHERE device = ? ORDER BY id DESC LIMIT 1 OFFSET ${MAX_KEPT})`,
          { replacements: [device, device], transaction },
        );
      }),
    /** The latest that were received, newest first. */
    latest: (device: string, most: number): Promise<StoredReading[]> =>
      sequelize.query<StoredReading>(
        `SELECT at, received_at AS receivedAt, what, value, unit FROM device_readings WHERE device = ? ORDER BY id DESC LIMIT ?`,
        { type: QueryTypes.SELECT, replacements: [device, most] },
      ),
  };
}

export type ReadingStore = ReturnType<typeof readingStore>;
