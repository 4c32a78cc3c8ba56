import { ref } from 'vue';
import { ApiProblem } from '../../api/client';
import { devicesApi } from '../../api/devices';

/** Reads the room sensor and hands its figures on, to a tenth. */
export function useRoomSensor(take: (values: { roomC: number; humidityPct: number }) => void) {
  const reading = ref(false);
  const problem = ref<string | null>(null);
  /** Whether the figures that were taken are a stand-in's. */
  const simulated = ref(false);
  async function read(): Promise<void> {
    reading.value = true;
    try {
      const sensor = (await devicesApi.list()).find((d) => d.kind === 'room-sensor');
      if (!sensor) {
        problem.value = 'No room sensor is known. Type the figures.';
        return;
      }
      const { values } = await devicesApi.reading(sensor.code);
      const of = (what: string) => values.find((v) => v.what === what)?.value;
      const [roomC, humidityPct] = [of('room'), of('humidity')];
      if (roomC !== undefined && humidityPct !== undefined) take({ roomC, humidityPct });
      [problem.value, simulated.value] = [null, sensor.standIn];
    } catch (error) {
      problem.value = error instanceof ApiProblem ? error.message : 'The sensor could not be read. Type the figures.';
    } finally {
      reading.value = false;
    }
  }
  return { read, reading, simulated, problem };
}
