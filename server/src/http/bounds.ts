import type { NextFunction, Request, Response } from 'express';
import { Problem } from './problem';

/** Largest request body taken, bytes. A batch with twenty thousand readings fits. */
export const MOST_BODY_BYTES = 2_000_000;
/** Deepest nesting taken; the formats need six. */
const MOST_DEPTH = 32;

function depthOver(value: unknown, left: number): boolean {
  if (typeof value !== 'object' || value === null) return false;
  return left === 0 || Object.values(value).some((child) => depthOver(child, left - 1));
}

/** Refuses documents nested deeper than any format needs. */
export function boundDepth(request: Request, _response: Response, next: NextFunction): void {
  if (depthOver(request.body, MOST_DEPTH))
    throw new Problem(400, 'too-deep', `The document is nested deeper than ${MOST_DEPTH} levels.`);
  next();
}

/** Refuses changes that another site's page sends from this person's browser. */
export function sameOrigin(request: Request, _response: Response, next: NextFunction): void {
  const origin = request.get('origin');
  const safe = request.method === 'GET' || request.method === 'HEAD' || request.method === 'OPTIONS';
  if (!safe && origin && new URL(origin).host !== request.get('host')) {
    throw new Problem(403, 'other-origin', 'Changes are taken only from the application itself.');
  }
  next();
}
