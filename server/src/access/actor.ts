import { AsyncLocalStorage } from 'node:async_hooks';

export const ROLES = ['technician', 'lead', 'board'] as const;
export type Role = (typeof ROLES)[number];

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

/** Who the work under way is done by; undefined where no request stands behind it, as for the demo or an import by hand. */
export const actorNow = (): Actor | undefined => current.getStore();
