import type { Batch } from '../formats/batch';

/** Temperature the piece cured at: as recorded, else the room's; null where neither was. */
export const cureTemperatureC = (batch: Batch): number | null =>
  batch.cure?.temperatureC ?? batch.room?.temperatureC ?? null;
