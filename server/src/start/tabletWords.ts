import { isIP } from 'node:net';
import { ownHosts } from '../access/hosts';
import type { Config } from '../config';

/**
 * How a tablet or a phone reaches the studio: told where it listens to this computer alone, and where it listens to the
 * network.
 */
export function tabletWords(config: Config, hosts: readonly string[] = ownHosts()): string[] {
  if (config.demo) return [];
  if (config.mode !== 'local') return ['Tablets and phones on the same network open that address.'];
  const there = hosts.find((h) => isIP(h) === 4 && !h.startsWith('127.')) ?? 'this computer’s address';
  return [
    'Only this computer reaches it. For a tablet, say who works here and start it for the network:',
    '  npm run people -- add KO lead',
    '  HOST=0.0.0.0 npm start',
    `  then open https://${there}:${config.port} on the tablet; docs/security.md tells how it learns to trust it.`,
  ];
}
