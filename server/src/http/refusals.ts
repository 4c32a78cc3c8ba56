import { CoreError, type ProblemIssue } from '@warm-jar/core';
import { Problem } from './problem';

/** What a refusal of ours says, field by field. @throws what was no refusal */
export function issuesOf(error: unknown): ProblemIssue[] {
  if (error instanceof CoreError) return [{ path: error.path, message: error.message }];
  if (!(error instanceof Problem)) throw error;
  return error.issues.length > 0 ? [...error.issues] : [{ path: '', message: error.message }];
}

/** What was asked for, or null where there is no such thing. @throws what was anything else */
export async function ifThere<T>(asked: Promise<T>): Promise<T | null> {
  try {
    return await asked;
  } catch (error) {
    if (error instanceof Problem && error.status === 404) return null;
    throw error;
  }
}
