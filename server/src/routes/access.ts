import { pairings } from '../access/pairings';
import type { AppDeps } from '../appDeps';
import type { Endpoint } from '../http/endpoint';
import { peopleRoutes } from './people';
import { sessionRoutes } from './sessions';
import { tokenRoutes } from './tokens';

/** People, signed-in devices, pairing, tokens, and who did what. */
export function accessRoutes({
  people,
  access,
  clock,
  studio,
}: Pick<AppDeps, 'people' | 'access' | 'clock' | 'studio'>): Endpoint[] {
  const deps = { store: people, options: access, pairings: pairings(clock.now), clock, studio };
  return [sessionRoutes, peopleRoutes, tokenRoutes].flatMap((routes) => routes(deps));
}
