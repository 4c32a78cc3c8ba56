import { issuesFromZod, type ProblemIssue } from '@warm-jar/core';
import type { z } from 'zod';
import { Problem } from './problem';

/** Fields that were refused, as the one answer for them. */
export function refusedFor(issues: ProblemIssue[]): Problem {
  return new Problem(
    400,
    'invalid-input',
    issues.length === 1
      ? 'One field cannot be taken as it is.'
      : `${issues.length} fields cannot be taken as they are.`,
    issues,
  );
}

/** What a schema refused, as that. */
export const refusedBy = (error: z.ZodError): Problem => refusedFor(issuesFromZod(error));
