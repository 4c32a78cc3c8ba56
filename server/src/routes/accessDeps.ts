import { z } from 'zod';
import type { AccessStore } from '../access/accessStore';
import type { AccessOptions } from '../access/gate';
import type { Pairings } from '../access/pairings';
import type { StudioClock } from '../live/studioClock';

/** What the endpoints of access share. */
export interface AccessDeps {
  readonly store: AccessStore;
  readonly options: AccessOptions;
  readonly pairings: Pairings;
  readonly clock: StudioClock;
  readonly studio: string;
}

export const code = z.string().min(1, 'Write initials.').max(60);
export const secret = z.string().min(1, 'Write a PIN or a passphrase.').max(200);
export const label = z.string().trim().min(1, 'Say which device it is.').max(60);
export const byId = z.object({ id: z.string().regex(/^[0-9a-f]{64}$/, 'Not a name of one.') });
