import { AsyncLocalStorage } from 'node:async_hooks';
import type { Role } from '@warm-jar/core';

/** Who a request comes from. */
export interface Actor {
  /** Initials; null where nobody said. */
  readonly person: string | null;
  readonly role: Role;
  /** Whether they signed in, or were only chosen on the screen. */
  readonly verified: boolean;
  /** The signed-in device; null where none is needed. */
  readonly session: string | null;
  readonly address: string;
}

const current = new AsyncLocalStorage<Actor>();

/** Runs a request's work as who it comes from. */
export const asActor = <T>(actor: Actor, work: () => T): T => current.run(actor, work);

/**
 * Who the work under way is done by; undefined where no request stands
 * behind it, as for the demo or an import by hand.
 */
export const actorNow = (): Actor | undefined => current.getStore();

/**
 * Who did it, for the history: whom the entry names, else who signed in or was chosen. Verified is only who signed in
 * themselves: an entry may wait on a tablet until somebody else has signed in there.
 */
export function doneBy(named: string | null): { by: string | null; verified: number } {
  const actor = actorNow();
  const by = named ?? actor?.person ?? null;
  return { by, verified: actor?.verified && by === actor.person ? 1 : 0 };
}
