import { API_PREFIX } from './base';
/** How long a stream that the browser gave up is waited with before it is joined again, ms. */
const AGAIN_MS = 2_000;
/** More than an answer takes on its way, ms: rather told twice than not at all. */
const ON_ITS_WAY_MS = 1_000;

/**
 * Listens to a stream of server-sent events, and joins it again whenever it breaks. The browser does so by itself only
 * where the connection is lost; where a server that is starting turns it away, it gives up for good.
 * @param tellsMissed whether it is to be told what changed since the page was opened, or since the stream broke
 * @returns what ends the listening
 */
export function eventsFrom(
  path: string,
  handlers: Readonly<Record<string, (data: unknown) => void>>,
  onState: (up: boolean) => void,
  tellsMissed = false,
): () => void {
  let source: EventSource;
  let again: ReturnType<typeof setTimeout> | undefined;
  /** When the page was last told all that changes: at first, as it was opened. */
  let toldMs = 0;
  let isUp = false;
  function join(): void {
    const age = Math.ceil(performance.now() - toldMs + ON_ITS_WAY_MS);
    source = new EventSource(`${API_PREFIX}${path}${tellsMissed ? `?age=${age}` : ''}`);
    source.onopen = () => {
      isUp = true;
      onState(true);
    };
    source.onerror = () => {
      if (isUp) toldMs = performance.now();
      isUp = false;
      onState(false);
      if (source.readyState !== EventSource.CLOSED) return;
      clearTimeout(again);
      again = setTimeout(join, AGAIN_MS);
    };
    for (const [name, act] of Object.entries(handlers))
      source.addEventListener(name, (event) => {
        act(JSON.parse((event as MessageEvent<string>).data));
      });
  }
  join();
  return () => {
    clearTimeout(again);
    source.close();
  };
}
