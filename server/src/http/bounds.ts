import { dottedPath } from '@warm-jar/core';
import type { NextFunction, Request, Response } from 'express';
import { Problem } from './problem';

/** Largest request body taken, bytes. A batch with twenty thousand readings fits. */
export const MAX_BODY_BYTES = 2_000_000;
/** Deepest nesting taken; the formats need six. */
const MAX_DEPTH = 32;
/** Most keys of one object; the formats have sixty, and keep what else is there. */
const MAX_KEYS = 500;
/** Most values of a document: twenty thousand readings with seven keys each, and the rest. */
const MAX_VALUES = 200_000;

interface Fault {
  readonly code: string;
  readonly path: PropertyKey[];
  readonly says: string;
}

/** NUL ends a text in the database, and half a pair of a character is none in any file. */
export const isBrokenText = (text: string): boolean => text.includes('\u0000') || !text.isWellFormed();
const BROKEN = 'Take out the characters that cannot be stored: NUL, or half of a character.';

function faultOfKey(key: string): Fault | null {
  if (key === '__proto__') return { code: 'bad-key', path: [], says: 'No field is called __proto__. Take it out.' };
  return isBrokenText(key) ? { code: 'bad-text', path: [], says: BROKEN } : null;
}

/** What keeps a parsed document from being looked at any further; the first that is found. */
export function faultOf(value: unknown, depth = MAX_DEPTH, count = { left: MAX_VALUES }): Fault | null {
  count.left -= 1;
  if (count.left < 0)
    return { code: 'too-many-values', path: [], says: `The document holds more than ${MAX_VALUES} values.` };
  if (typeof value === 'string') return isBrokenText(value) ? { code: 'bad-text', path: [], says: BROKEN } : null;
  if (typeof value !== 'object' || value === null) return null;
  if (depth === 0)
    return { code: 'too-deep', path: [], says: `The document is nested deeper than ${MAX_DEPTH} levels.` };
  return faultWithin(value, depth, count);
}

function faultWithin(value: object, depth: number, count: { left: number }): Fault | null {
  const isList = Array.isArray(value);
  const keys = Object.keys(value);
  if (!isList && keys.length > MAX_KEYS)
    return { code: 'too-many-keys', path: [], says: `Keep it to ${MAX_KEYS} fields; there are ${keys.length}.` };
  for (const key of keys) {
    const child = (value as Record<string, unknown>)[key];
    const fault = (isList ? null : faultOfKey(key)) ?? faultOf(child, depth - 1, count);
    if (fault) return { ...fault, path: [isList ? Number(key) : key.slice(0, 80), ...fault.path] };
  }
  return null;
}

/** Refuses documents that are deeper, wider or longer than any format needs, and texts that cannot be stored. */
export function boundBody(request: Request, _response: Response, next: NextFunction): void {
  const fault = faultOf(request.body);
  if (fault)
    throw new Problem(400, fault.code, fault.says, [
      { path: dottedPath(fault.path).toWellFormed().replaceAll('\u0000', ''), message: fault.says },
    ]);
  next();
}

/** Refuses addresses that hold what no name here can: NUL, or bytes that are no text. */
export function boundAddress(request: Request, _response: Response, next: NextFunction): void {
  let text: string;
  try {
    text = decodeURIComponent(request.url.replaceAll('+', ' '));
  } catch {
    throw new Problem(
      400,
      'bad-address',
      'The address cannot be read: a % in it begins no character. Write it as %25.',
    );
  }
  if (isBrokenText(text))
    throw new Problem(400, 'bad-address', 'The address holds a character that no name here can have.');
  next();
}

/** The host an origin names; null for what is no origin, such as the one of a page without an address. */
function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}

/** Refuses changes that another site's page sends from this person's browser. */
export function sameOrigin(request: Request, _response: Response, next: NextFunction): void {
  const origin = request.get('origin');
  const safe = request.method === 'GET' || request.method === 'HEAD' || request.method === 'OPTIONS';
  if (!safe && origin !== undefined && hostOf(origin) !== request.host) {
    throw new Problem(403, 'other-origin', 'Changes are taken only from the application itself.');
  }
  next();
}
