import type { PlanJob, PlanReport, PlanResult } from './plan.worker';

type Asked = PlanJob extends infer J ? (J extends PlanJob ? Omit<J, 'id'> : never) : never;

/** A worker that does one sum at a time: a newer one puts an end to an older that still runs. */
export function planWorker() {
  let [worker, id, busy] = [null as Worker | null, 0, false];
  let settle: ((outcome: { result: PlanResult } | { failure: string } | null) => void) | null = null;

  function stop(): void {
    if (busy) {
      worker?.terminate();
      worker = null;
    }
    busy = false;
    settle?.(null);
    settle = null;
  }

  function begin(): Worker {
    const made = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
    made.onerror = () => {
      settle?.({ failure: 'The sum failed.' });
      busy = false;
      settle = null;
      worker = null;
    };
    return made;
  }

  /** @returns null where a newer sum or a stop overtook this one */
  function run(
    job: Asked,
    onProgress: (share: number) => void,
  ): Promise<{ result: PlanResult } | { failure: string } | null> {
    stop();
    const mine = ++id;
    busy = true;
    return new Promise((done) => {
      settle = done;
      worker ??= begin();
      worker.onmessage = ({ data }: MessageEvent<PlanReport>) => {
        if (data.id !== mine) return;
        if ('progress' in data) {
          onProgress(data.progress);
          return;
        }
        busy = false;
        settle = null;
        done(data);
      };
      // What Vue watches cannot be sent as it is; a plain copy can.
      worker.postMessage({
        ...(JSON.parse(
          JSON.stringify(job, (_k, v: unknown) => (v instanceof Map ? { $map: [...(v as Map<unknown, unknown>)] } : v)),
          (_k, v: unknown) =>
            typeof v === 'object' && v !== null && '$map' in v
              ? new Map((v as { $map: [unknown, unknown][] }).$map)
              : v,
        ) as Asked),
        id: mine,
      });
    });
  }
  return {
    run,
    stop,
    close: () => {
      stop();
      worker?.terminate();
      worker = null;
    },
  };
}
