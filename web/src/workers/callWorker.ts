import { z } from 'zod';

/** What a worker sends back: how far it is, what it found, or why it found nothing. */
const messageSchema = z.union([
  z.object({ id: z.number(), progress: z.number() }),
  z.object({ id: z.number(), result: z.unknown() }),
  z.object({ id: z.number(), failure: z.string() }),
]);

/** How a question to a worker ended; null where a newer one or a stop overtook it. */
export type Outcome<A> = { readonly result: A } | { readonly failure: string } | null;

const BROKEN = 'The work failed. Try again.';

interface WorkerCall<A> {
  /** Begins the worker; called again after one was ended. */
  readonly begin: () => Worker;
  /** What its answer has to look like. */
  readonly answer: z.ZodType<A>;
}

interface Asked {
  readonly onProgress?: (share: number) => void;
  readonly transfer?: Transferable[];
}

export interface WorkerCaller<Q, A> {
  /** Asks one question; a newer one puts an end to an older that still runs. */
  readonly ask: (question: Q, asked?: Asked) => Promise<Outcome<A>>;
  readonly stop: () => void;
  readonly close: () => void;
}

/** One worker that does one thing at a time, its answers checked. */
export function workerCaller<Q, A>({ begin, answer }: WorkerCall<A>): WorkerCaller<Q, A> {
  let [worker, id] = [null as Worker | null, 0];
  let settle: ((outcome: Outcome<A>) => void) | null = null;

  function end(outcome: Outcome<A>): void {
    const waiting = settle;
    settle = null;
    waiting?.(outcome);
  }
  function stop(): void {
    if (settle) {
      worker?.terminate();
      worker = null;
    }
    end(null);
  }
  function hear(data: unknown, mine: number, onProgress?: (share: number) => void): void {
    const message = messageSchema.safeParse(data);
    if (!message.success) {
      end({ failure: BROKEN });
      return;
    }
    if (message.data.id !== mine) return;
    if ('progress' in message.data) onProgress?.(message.data.progress);
    else if ('failure' in message.data) end({ failure: message.data.failure });
    else {
      const checked = answer.safeParse(message.data.result);
      end(checked.success ? { result: checked.data } : { failure: BROKEN });
    }
  }
  return {
    ask: (question, { onProgress, transfer = [] } = {}) => {
      stop();
      const mine = ++id;
      const running = (worker ??= begin());
      return new Promise((done) => {
        settle = done;
        running.onmessage = ({ data }: MessageEvent<unknown>) => {
          hear(data, mine, onProgress);
        };
        running.onerror = () => {
          worker = null;
          end({ failure: BROKEN });
        };
        running.postMessage({ id: mine, question }, transfer);
      });
    },
    stop,
    close: () => {
      stop();
      worker?.terminate();
      worker = null;
    },
  };
}

/** One question to a worker of its own, which ends with it. */
export async function callWorker<Q, A>(call: WorkerCall<A>, question: Q, asked: Asked = {}): Promise<Outcome<A>> {
  const caller = workerCaller<Q, A>(call);
  try {
    return await caller.ask(question, asked);
  } finally {
    caller.close();
  }
}
