import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Request, RequestHandler } from 'express';
import { Problem } from '../http/problem';

/** Wrong tries in a quarter of an hour before more are made to wait: of one person, and from one address. */
const [WINDOW_MS, OF_PERSON, FROM_ADDRESS] = [15 * 60_000, 6, 20];

const waitWords = (seconds: number) =>
  `Too many wrong tries. Wait ${Math.ceil(seconds / 60)} min, or ask a lead for another PIN.`;

function limited(
  limit: number,
  keyGenerator: (request: Request) => string,
  skip: (request: Request) => boolean = () => false,
): RequestHandler {
  return rateLimit({
    skip,
    windowMs: WINDOW_MS,
    limit,
    keyGenerator,
    // Only a wrong secret is a wrong try; one that is too short, or another slip, is none.
    skipSuccessfulRequests: true,
    requestWasSuccessful: (_request, response) => response.statusCode !== 401 && response.statusCode !== 403,
    standardHeaders: 'draft-7',
    legacyHeaders: false,
    validate: false,
    handler: (request) => {
      const { resetTime } = (request as Request & { rateLimit?: { resetTime?: Date } }).rateLimit ?? {};
      const seconds = Math.max(1, ((resetTime?.getTime() ?? Date.now() + WINDOW_MS) - Date.now()) / 1000);
      request.res?.set('Retry-After', String(Math.ceil(seconds)));
      throw new Problem(429, 'slow-down', waitWords(seconds));
    },
  });
}

/** Who a secret is tried for; nothing where the request names nobody, as a pairing code does not. */
const personIn = (request: Request): string => {
  const named = (request.body as { person?: unknown } | undefined)?.person ?? request.params['code'];
  return typeof named === 'string' ? named.slice(0, 60).toUpperCase() : '';
};

/** Slows down whoever tries secrets: by the person they are tried for, and by where they come from. */
export const slowDown = (): RequestHandler[] => [
  limited(FROM_ADDRESS, (request) => `address ${ipKeyGenerator(request.ip ?? '')}`),
  limited(
    OF_PERSON,
    (request) => `person ${personIn(request)}`,
    (request) => personIn(request) === '',
  ),
];
