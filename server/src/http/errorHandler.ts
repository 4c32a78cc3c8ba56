import type { ErrorRequestHandler } from 'express';
import { MOST_BODY_BYTES } from './bounds';
import { Problem } from './problem';

/** What body parsing throws: `type` is its stable name. */
interface BodyError {
  readonly type?: unknown;
  readonly status?: unknown;
}

function asProblem(error: unknown): Problem | null {
  if (error instanceof Problem) return error;
  const { type, status } = (typeof error === 'object' && error !== null ? error : {}) as BodyError;
  if (type === 'entity.too.large')
    return new Problem(413, 'too-large', `The document is larger than ${MOST_BODY_BYTES / 1e6} MB.`);
  if (type === 'entity.parse.failed')
    return new Problem(400, 'bad-json', 'The body is not JSON. Check for a missing brace or a trailing comma.');
  if (typeof status === 'number' && status >= 400 && status < 500)
    return new Problem(status, 'bad-request', 'The request cannot be read.');
  return null;
}

/** Answers every failure in the one shape; what nobody foresaw is logged and answered without its inside. */
export function errorHandler(log: (error: unknown) => void): ErrorRequestHandler {
  return (error: unknown, _request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const problem = asProblem(error);
    if (!problem) log(error);
    const answer =
      problem ?? new Problem(500, 'internal', 'Something failed on the server. Nothing was changed; try again.');
    response.status(answer.status).json(answer.body);
  };
}
