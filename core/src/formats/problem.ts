import { z } from 'zod';

export const problemIssueSchema = z.object({ path: z.string(), message: z.string() });

/** The one shape in which a refusal is answered: a stable code, a sentence, and each refused field by its path. */
export const problemSchema = z.object({
  error: z.object({ code: z.string(), message: z.string(), issues: z.array(problemIssueSchema) }),
});

export type Problem = z.infer<typeof problemSchema>;
export type ProblemIssue = z.infer<typeof problemIssueSchema>;

/** `['checks', 0, 'shore']` as `checks[0].shore`, the dotted name used in tables, errors and limit readings. */
export function dottedPath(path: readonly PropertyKey[]): string {
  return path.reduce<string>((text, key) => {
    if (typeof key === 'number') return `${text}[${key}]`;
    return text === '' ? String(key) : `${text}.${String(key)}`;
  }, '');
}

/** What to do about an issue, in place of Zod's own wording of it; a message of the schema's own stands. */
function words(issue: z.core.$ZodIssue): string {
  if (issue.code === 'invalid_value' && issue.message.startsWith('Invalid option'))
    return `Choose one of: ${issue.values.map(String).join(', ')}.`;
  if (issue.code === 'invalid_type' && issue.message.endsWith('received undefined')) return 'This is required.';
  return issue.message;
}

/** A Zod refusal as problem issues, one for each refused field, in the document's order. */
export function issuesFromZod(error: z.ZodError, prefix = ''): ProblemIssue[] {
  return error.issues.map((issue) => ({
    path: [prefix, dottedPath(issue.path)].filter(Boolean).join('.'),
    message: words(issue),
  }));
}
