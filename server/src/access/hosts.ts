import { isIP } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';

/** Whether an address is this computer's own, which nobody else can reach. */
export const isLoopback = (host: string): boolean =>
  host === 'localhost' || host === '::1' || host.endsWith('.localhost') || /^127(\.\d{1,3}){3}$/.test(host);

/** Addresses and names of this computer on its networks. */
export function ownHosts(): string[] {
  const addresses = Object.values(networkInterfaces()).flatMap((list) =>
    (list ?? []).filter((i) => !i.internal && !i.address.startsWith('fe80')).map((i) => i.address),
  );
  const name = hostname().toLowerCase();
  return [...new Set([...addresses, name, ...(name.includes('.') ? [] : [`${name}.local`])])];
}

/** The host of a `Host` header, without its port; null for what is none. */
export function hostOfHeader(header: string | undefined): string | null {
  if (!header) return null;
  try {
    return new URL(`http://${header}`).hostname.replace(/^\[|\]$/g, '').toLowerCase();
  } catch {
    return null;
  }
}

/**
 * Whether a request was meant for this server: one whose name somebody else's page made point here is not. On the
 * loopback only its own names count; on a network every bare address does, for no page can claim one.
 * @param known names this server goes by
 */
export function isMeantForUs(header: string | undefined, network: boolean, known: readonly string[]): boolean {
  const host = hostOfHeader(header);
  if (host === null) return false;
  if (isLoopback(host) || known.includes(host)) return true;
  return network && isIP(host) !== 0;
}
