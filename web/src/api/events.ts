import { API_PREFIX } from './base';
/** How long a stream that the browser gave up is waited with before it is joined again, ms. */
const AGAIN_MS = 2_000;

/**
 * Listens to a stream of server-sent events, and joins it again whenever it breaks. The browser does so by itself only
 * where the connection is lost; where a server that is starting turns it away, it gives up for good.
 * @returns what ends the listening
 */
export function eventsFrom(
  path: string,
  handlers: Readonly<Record<string, (data: unknown) => void>>,
  onState: (up: boolean) => void,
): () => void {
  let source: EventSource;
  let again: ReturnType<typeof setTimeout> | undefined;
  function join(): void {
    source = new EventSource(`${API_PREFIX}${path}`);
    source.onopen = () => {
      onState(true);
    };
    source.onerror = () => {
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
