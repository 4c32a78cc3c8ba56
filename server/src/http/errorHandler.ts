import { CoreError } from '@warm-jar/core';
import type { ErrorRequestHandler } from 'express';
import { MAX_BODY_BYTES } from './bounds';
import { Problem } from './problem';

/** What body parsing throws: `type` is its stable name. */
interface BodyError {
  readonly type?: unknown;
  readonly status?: unknown;
}

/** What the database says of the machine it lies on: nobody's request is at fault, and trying again may help. */
const MACHINE: Readonly<Record<string, Problem>> = {
  SQLITE_FULL: new Problem(507, 'disk-full', 'The disk is full. Nothing was changed. Make room, then try again.'),
  SQLITE_BUSY: new Problem(503, 'busy', 'Another program holds the studio file. Nothing was changed; try again.'),
  SQLITE_READONLY: new Problem(
    503,
    'read-only',
    'The studio file may not be written to. Nothing was changed. Give this user the right to write it.',
  ),
  SQLITE_CORRUPT: new Problem(
    503,
    'damaged',
    'The studio file is damaged. Stop the server, and put the latest copy back before anything else is written.',
  ),
  SQLITE_IOERR: new Problem(503, 'disk-error', 'The disk does not answer. Nothing was changed; look at the machine.'),
};

/** What the machine refused, by the driver's own name for it, wherever in the chain of causes it stands. */
function machineProblem(error: unknown, depth = 4): Problem | null {
  if (typeof error !== 'object' || error === null || depth === 0) return null;
  const { code, cause, original, parent } = error as Record<string, unknown>;
  if (typeof code === 'string' && MACHINE[code]) return MACHINE[code];
  if (code === 'ENOSPC') return MACHINE['SQLITE_FULL']!;
  return [cause, original, parent].reduce<Problem | null>((found, e) => found ?? machineProblem(e, depth - 1), null);
}

/** The size that was passed, bytes: each place has its own. */
const limitOf = (error: unknown): number | null => {
  const { limit } = error as { readonly limit?: unknown };
  return typeof limit === 'number' ? limit : null;
};

function asProblem(error: unknown): Problem | null {
  if (error instanceof Problem) return error;
  // What a sum refuses is what was sent: the field is named, as for any other.
  if (error instanceof CoreError)
    return new Problem(400, error.code, error.message, [{ path: error.path, message: error.message }]);
  const { type, status } = (typeof error === 'object' && error !== null ? error : {}) as BodyError;
  if (type === 'entity.too.large')
    return new Problem(
      413,
      'too-large',
      `What was sent is larger than the ${(limitOf(error) ?? MAX_BODY_BYTES) / 1e6} MB that are taken here.`,
    );
  if (type === 'entity.parse.failed')
    return new Problem(400, 'bad-json', 'The body is not JSON. Check for a missing brace or a trailing comma.');
  if (typeof status === 'number' && status >= 400 && status < 500)
    return new Problem(status, 'bad-request', 'The request cannot be read.');
  return machineProblem(error);
}

/** Answers every failure in the one shape; what nobody foresaw is logged and answered without its inside. */
export function errorHandler(log: (error: unknown) => void): ErrorRequestHandler {
  return (error: unknown, _request, response, next) => {
    // Express knows a handler of errors by its four parameters; nothing comes after this one.
    void next;
    if (response.headersSent) {
      // Who hung up knows; anything else is told here, and the half answer is broken off.
      if (!response.destroyed) log(error);
      response.destroy();
      return;
    }
    const problem = asProblem(error);
    if (!problem || problem.status >= 500) log(error);
    // An answer that fails is no file to be kept.
    response.removeHeader('Content-Disposition');
    response.removeHeader('Content-Type');
    response.set('Cache-Control', 'no-store');
    const answer =
      problem ?? new Problem(500, 'internal', 'Something failed on the server. Nothing was changed; try again.');
    response.status(answer.status).json(answer.body);
  };
}
