import type { RequestHandler } from 'express';
import { Problem } from './problem';

/** Names the studio that a page was opened in. */
export const STUDIO_HEADER = 'x-warm-jar-studio';
/** By this a page learns which studio it is: it asks before it knows. */
const ASKED_FIRST = '/session';

/**
 * Turns away what a page of another studio sends: the demo and a studio of one's own may be served at one address in
 * turn, and nothing of the one may come into the other.
 */
export const sameStudio =
  (id: string): RequestHandler =>
  (request, _response, next) => {
    const named = request.get(STUDIO_HEADER);
    if (named !== undefined && named !== id && request.path !== ASKED_FIRST)
      throw new Problem(
        409,
        'other-studio',
        'Another studio is served at this address now. Load the page anew; what waits here stays with its own studio.',
      );
    next();
  };
