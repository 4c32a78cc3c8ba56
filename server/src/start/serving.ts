import { readFileSync } from 'node:fs';
import { createServer as createPlain, type RequestListener, type Server } from 'node:http';
import { createServer as createSecure } from 'node:https';
import type { AddressInfo } from 'node:net';
import { isIP } from 'node:net';
import { hostOfHeader, isMeantForUs, ownHosts } from '../access/hosts';
import type { Config } from '../config';
import { fingerprintOf, ownTls } from '../tls/ownAuthority';
import { trustPage } from '../tls/trustPage';

/** A whole backup may take this long to come in, ms. */
const REQUEST_MS = 60 * 60_000;
/** Connections held at once. */
const MAX_CONNECTIONS = 512;
const EVERYWHERE = new Set(['0.0.0.0', '::']);

/** Names this server goes by, beside every bare address. */
export function hostsOf({ host, address }: Pick<Config, 'host' | 'address'>): string[] {
  const outside = address ? new URL(address).hostname : null;
  return [...new Set([...(EVERYWHERE.has(host) ? [] : [host]), ...(outside ? [outside] : []), ...ownHosts()])];
}

/** The address to be told: one that others can open where the server listens everywhere. */
export function addressOf(config: Pick<Config, 'host' | 'address' | 'tls'>, port: number): string {
  const host = EVERYWHERE.has(config.host) ? (ownHosts().find((h) => isIP(h) === 4) ?? 'localhost') : config.host;
  const shown = isIP(host) === 6 ? `[${host}]` : host;
  return config.address ?? `${config.tls.by === 'none' ? 'http' : 'https'}://${shown}:${port}`;
}

/** @throws the system's error where it cannot listen there */
export async function listen(server: Server, port: number, host: string): Promise<number> {
  await new Promise<void>((done, fail) => {
    server.once('error', fail);
    server.listen(port, host, () => {
      server.off('error', fail);
      done();
    });
  });
  return (server.address() as AddressInfo).port;
}

/** A server that is not listening yet, plain or by TLS. It has no certificate of its own authority before `secure`. */
export function serverFor({ tls }: Config, handle: RequestListener): Server {
  const options = { requestTimeout: REQUEST_MS };
  const server =
    tls.by === 'none'
      ? createPlain(options, handle)
      : createSecure(
          tls.by === 'given' ? { ...options, cert: readFileSync(tls.cert), key: readFileSync(tls.key) } : options,
          handle,
        );
  server.maxConnections = MAX_CONNECTIONS;
  return server;
}

/** What hands out the certificate beside the studio. */
export interface Trust {
  readonly server: Server;
  readonly address: string;
  /** What a person compares before a device is made to trust it. */
  readonly fingerprint: string;
}

/**
 * Gives a server the certificate of the studio's own authority, and begins to hand that authority's out by plain HTTP
 * beside it. Nothing where the server needs none.
 */
export async function secure(config: Config, folder: string, server: Server, port: number): Promise<Trust | null> {
  if (config.tls.by !== 'own') return null;
  const hosts = ['localhost', '127.0.0.1', ...hostsOf(config)];
  const { cert, key, authority } = await ownTls(folder, [...new Set(hosts)], new Date());
  (server as ReturnType<typeof createSecure>).setSecureContext({ cert, key });
  const studio = (header: string) => {
    const host = hostOfHeader(header);
    return host !== null && isMeantForUs(header, true, hosts)
      ? `https://${isIP(host) === 6 ? `[${host}]` : host}:${port}`
      : addressOf(config, port);
  };
  const trust = createPlain(trustPage(authority, studio));
  trust.maxConnections = 64;
  const trustPort = await listen(trust, config.tls.trustPort, config.host);
  const { hostname } = new URL(addressOf({ ...config, address: undefined }, port));
  return { server: trust, address: `http://${hostname}:${trustPort}/trust`, fingerprint: fingerprintOf(authority) };
}
