import { LOOK_ROUND_PATH, lookRoundSchema } from '@warm-jar/core';
import { read, send } from './http';

/** The demo studio that stands beside the studio's own while somebody looks round in it. */
export const lookRoundApi = {
  begin: async () => read(lookRoundSchema, await send('/look-round', { method: 'POST' })),
  end: async () => read(lookRoundSchema, await send('/look-round', { method: 'DELETE' })),
};

export { LOOK_ROUND_PATH };
