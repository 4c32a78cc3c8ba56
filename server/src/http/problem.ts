import type { Problem as ProblemBody, ProblemIssue } from '@warm-jar/core';

/** A refusal on its way to the client, in the one shape of the API. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly issues: ProblemIssue[] = [],
    options?: ErrorOptions,
  ) {
    super(message, options);
    this.name = 'Problem';
  }

  get body(): ProblemBody {
    return { error: { code: this.code, message: this.message, issues: this.issues } };
  }
}

export const notFound = (what: string) => new Problem(404, 'not-found', `${what} was not found.`);
