import { LOOK_ROUND_PATH, lookRoundSchema } from '@warm-jar/core';
import type { AppDeps } from '../appDeps';
import { endpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';

type Deps = Pick<AppDeps, 'lookRound' | 'log'>;

const asState = { description: 'Whether it stands, and where', schema: lookRoundSchema };
const stateOf = (open: boolean) => ({ status: 200, body: { open, path: LOOK_ROUND_PATH } }) as const;

const look = ({ lookRound }: Deps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/look-round',
      summary: 'Whether the demo studio stands beside this one',
      answers: { 200: asState },
    },
    () => Promise.resolve(stateOf(lookRound?.isOpen() ?? false)),
  );

const begin = ({ lookRound }: Deps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/look-round',
      summary: 'Set the demo studio up beside this one, to be looked round in',
      answers: { 200: asState },
    },
    async () => {
      if (!lookRound) throw new Problem(409, 'no-look-round', 'There is no demo studio to look round here.');
      await lookRound.begin();
      return stateOf(true);
    },
  );

const end = ({ lookRound, log }: Deps): Endpoint =>
  endpoint(
    {
      method: 'delete',
      path: '/look-round',
      summary: 'Throw the demo studio away with all that was done in it',
      answers: { 200: asState },
    },
    () => {
      // It may be asked from inside: what answers this is closed once the answer is out.
      setImmediate(() => {
        lookRound?.end().catch(log);
      });
      return Promise.resolve(stateOf(false));
    },
  );

export const lookRoundRoutes = (deps: Deps): Endpoint[] => [look, begin, end].map((make) => make(deps));
