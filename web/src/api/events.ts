const PREFIX = '/api/v1';

/**
 * Listens to a stream of server-sent events; the browser joins again by itself when the stream breaks.
 * @returns what ends the listening
 */
export function eventsFrom(
  path: string,
  handlers: Readonly<Record<string, (data: unknown) => void>>,
  onState: (up: boolean) => void,
): () => void {
  const source = new EventSource(`${PREFIX}${path}`);
  source.onopen = () => {
    onState(true);
  };
  source.onerror = () => {
    onState(false);
  };
  for (const [name, act] of Object.entries(handlers))
    source.addEventListener(name, (event) => {
      act(JSON.parse((event as MessageEvent<string>).data));
    });
  return () => {
    source.close();
  };
}
