import type { Role } from '@warm-jar/core';

/** What a request needs: nobody at all, anyone who signed in, or one of some roles. */
export type Need = 'nobody' | 'anyone' | 'technician' | 'lead' | 'device';

interface Rule {
  readonly methods: RegExp;
  /** Of the path behind the API's prefix. */
  readonly path: RegExp;
  readonly need: Need;
}

/**
 * Rights as one table; the first rule that fits holds. What no rule
 * names is for technicians to write, for all to read.
 */
const RULES: readonly Rule[] = [
  { methods: /^(GET|HEAD)$/, path: /^\/health$/, need: 'nobody' },
  { methods: /^(GET|HEAD|POST|DELETE)$/, path: /^\/session$/, need: 'nobody' },
  { methods: /^POST$/, path: /^\/pairings\/use$/, need: 'nobody' },
  // The calendar proves itself by the secret in its address.
  { methods: /^(GET|HEAD)$/, path: /^\/agenda\.ics$/, need: 'nobody' },
  // A device by its own token.
  { methods: /^POST$/, path: /^\/devices\/[^/]+\/readings$/, need: 'device' },
  { methods: /./, path: /^\/backup(\/|\.zip)/, need: 'lead' },
  // How far others are in their drills is a lead's to see.
  { methods: /./, path: /^\/drill-progress\/people$/, need: 'lead' },
  { methods: /^(GET|HEAD)$/, path: /^\/people$/, need: 'anyone' },
  // One's own PIN: whose it is is looked at where it is set.
  { methods: /^POST$/, path: /^\/people\/[^/]+\/secret$/, need: 'anyone' },
  { methods: /./, path: /^\/(people|tokens|deeds)(\/|$)/, need: 'lead' },
  { methods: /./, path: /^\/sessions(\/|$)/, need: 'anyone' },
  { methods: /./, path: /^\/pairings(\/|$)/, need: 'anyone' },
  { methods: /^(GET|HEAD)$/, path: /^\/calendar$/, need: 'anyone' },
  { methods: /./, path: /^\/calendar(\/|$)/, need: 'lead' },
  { methods: /^(POST|PUT|DELETE)$/, path: /^\/(products|gear)(\/|$)/, need: 'lead' },
  { methods: /^POST$/, path: /^\/(imports|mappings)(\/|$)/, need: 'lead' },
  { methods: /^(GET|HEAD)$/, path: /^\/export\//, need: 'technician' },
  { methods: /^(GET|HEAD|OPTIONS)$/, path: /./, need: 'anyone' },
  { methods: /./, path: /./, need: 'technician' },
];

/** A path as it is meant: a way written in another way is still the same way. */
export function plainPath(path: string): string {
  let plain = path;
  try {
    plain = decodeURIComponent(path);
  } catch {
    // What is no text is refused further on.
  }
  return plain.toLowerCase().replace(/(.)\/+$/, '$1');
}

/** What a request needs. The path is that behind the API's prefix, as it was sent. */
export function needOf(method: string, path: string): Need {
  const plain = plainPath(path);
  return RULES.find((r) => r.methods.test(method) && r.path.test(plain))?.need ?? 'lead';
}

/** Whether a role may do what needs so much. */
export function may(role: Role, need: Need): boolean {
  if (need === 'nobody' || need === 'anyone') return true;
  if (need === 'device') return false;
  return role === 'lead' || (role === 'technician' && need === 'technician');
}
