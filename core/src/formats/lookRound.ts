import { z } from 'zod';

/** Where the demo studio is looked round in, beside the studio's own. */
export const LOOK_ROUND_PATH = '/look-round';

/** Whether the demo studio stands beside the studio's own, and where. */
export const lookRoundSchema = z.object({ open: z.boolean(), path: z.string() });
export type LookRoundState = z.infer<typeof lookRoundSchema>;
