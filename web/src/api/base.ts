import { LOOK_ROUND_PATH } from '@warm-jar/core';

const isUnder = (path: string) => path === LOOK_ROUND_PATH || path.startsWith(`${LOOK_ROUND_PATH}/`);

/** What stands before every address of this page's studio: nothing for the studio's own. */
export const BASE = isUnder(globalThis.location?.pathname ?? '') ? LOOK_ROUND_PATH : '';

/** Whether this page looks round in the demo studio that stands beside the studio's own. */
export const LOOKING_ROUND = BASE !== '';

/** Where this studio's data are asked for. */
export const API_PREFIX = `${BASE}/api/v1`;
