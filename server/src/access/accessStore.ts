import type { Database } from '../store/database';
import { accessContext } from './accessContext';
import { deedStore } from './deedStore';
import { peopleStore } from './peopleStore';
import { sessionStore } from './sessionStore';
import { tokenStore } from './tokenStore';

/** Who may come in, and who has. */
export function accessStore(database: Database, now: () => Date = () => new Date()) {
  const context = accessContext(database, now);
  return {
    ...peopleStore(context),
    ...sessionStore(context),
    ...tokenStore(context),
    ...deedStore(context),
  };
}

export type AccessStore = ReturnType<typeof accessStore>;
