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

/** What belongs where another kind of value stood. */
const EXPECTED: Readonly<Record<string, string>> = {
  string: 'Write words here.',
  number: 'Write a number, such as 21.5.',
  int: 'Write a whole number, such as 3.',
  boolean: 'Say yes or no.',
  array: 'A list belongs here.',
  tuple: 'A list belongs here.',
  object: 'This holds several fields, each under its name.',
  record: 'This holds several fields, each under its name.',
  date: 'Write a day, such as 2027-03-18.',
};
const FORMATS: Readonly<Record<string, string>> = {
  date: 'Write a day, such as 2027-03-18.',
  datetime: 'Write a day and time with its offset, such as 2027-03-18T14:30:00+01:00.',
};

const range = (issue: z.core.$ZodIssueTooSmall | z.core.$ZodIssueTooBig): string => {
  const least = issue.code === 'too_small';
  const bound = String(least ? issue.minimum : issue.maximum);
  if (issue.origin === 'string') return `Write ${least ? 'at least' : 'at most'} ${bound} signs.`;
  if (issue.origin === 'array') return `${least ? 'At least' : 'At most'} ${bound} belong here.`;
  if (issue.inclusive === false) return `It must be ${least ? 'more' : 'less'} than ${bound}.`;
  return `It must be ${least ? 'at least' : 'at most'} ${bound}.`;
};

/** Whether a message is the validator's own, which says nothing to a person. */
const isRaw = (message: string) => /^(?:Invalid|Too (?:small|big)|Unrecognized|Expected)\b/.test(message);

/** What a person does about an issue. */
function advice(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'invalid_value':
      return `Choose one of: ${issue.values.map(String).join(', ')}.`;
    case 'invalid_type':
      return issue.message.endsWith('received undefined')
        ? 'This is required.'
        : (EXPECTED[issue.expected] ?? 'This is not what belongs here.');
    case 'too_small':
    case 'too_big':
      return range(issue);
    case 'invalid_format':
      return FORMATS[issue.format] ?? 'This is not written as it has to be.';
    case 'unrecognized_keys':
      return `Nothing is known of ${issue.keys.join(', ')}.`;
    case 'not_multiple_of':
      return `It must be a multiple of ${issue.divisor}.`;
    default:
      return 'This is not what belongs here.';
  }
}

/** The words of an issue: the schema's own where it has some, never the validator's. */
const words = (issue: z.core.$ZodIssue): string => (isRaw(issue.message) ? advice(issue) : issue.message);

/** A Zod refusal as problem issues, one for each refused field, in the document's order. */
export function issuesFromZod(error: z.ZodError, prefix = ''): ProblemIssue[] {
  return error.issues.map((issue) => ({
    path: [prefix, dottedPath(issue.path)].filter(Boolean).join('.'),
    message: words(issue),
  }));
}
