import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { batchSchema } from './batch';
import { BATCH_FIELDS } from './batchFields';
import { parsePath, putValue, type Tree } from './documentPath';
import { issuesFromZod } from './problem';
import { productSchema } from './product';

const RAW = /invalid|expected|received|too (?:small|big)|unrecognized|undefined|NaN/i;
const said = (schema: z.ZodType, value: unknown) => {
  const parsed = schema.safeParse(value);
  return parsed.success ? [] : issuesFromZod(parsed.error).map(({ message }) => message);
};

describe('the words of a refusal', () => {
  it.each([
    [z.boolean(), 'perhaps', 'Say yes or no.'],
    [z.number(), 'x', 'Write a number, such as 21.5.'],
    [z.number(), Number.NaN, 'Write a number, such as 21.5.'],
    [z.number().int(), 2.5, 'Write a whole number, such as 3.'],
    [z.string(), 4, 'Write words here.'],
    [z.array(z.string()), 'x', 'A list belongs here.'],
    [z.object({ a: z.string() }), 'x', 'This holds several fields, each under its name.'],
    [z.object({ a: z.string() }), {}, 'This is required.'],
    [z.enum(['gloss', 'matt']), 'dull', 'Choose one of: gloss, matt.'],
    [z.number().min(3), 2, 'It must be at least 3.'],
    [z.number().gt(3), 3, 'It must be more than 3.'],
    [z.number().max(100), 101, 'It must be at most 100.'],
    [z.string().max(2), 'abc', 'Write at most 2 signs.'],
    [z.array(z.number()).min(1), [], 'At least 1 belong here.'],
    [z.iso.date(), '18.3.', 'Write a day, such as 2027-03-18.'],
    [z.strictObject({}), { odd: 1 }, 'Nothing is known of odd.'],
    [z.union([z.string(), z.number()]), true, 'This is not what belongs here.'],
    [z.number().min(1, 'At least one gram.'), 0, 'At least one gram.'],
  ])('say what to do: %#', (schema, value, expected) => expect(said(schema, value)).toEqual([expected]));

  it("are never the validator's own, whatever stands in whichever field", () => {
    const field = fc.constantFrom(...BATCH_FIELDS.map(({ path }) => path.replaceAll('[]', '[0]')));
    const value = fc.oneof(fc.constant('perhaps'), fc.constant(-1e9), fc.constant(1e12), fc.boolean(), fc.constant([]));
    fc.assert(
      fc.property(field, value, (path, wrong) => {
        const document: Tree = { format: 'warm-jar.batch/1', product: { slug: 'house-tide', revision: 1 } };
        putValue(document, parsePath(path)!, wrong);
        for (const message of said(batchSchema, document)) expect(message).not.toMatch(RAW);
      }),
      { numRuns: 400 },
    );
  });
  it("are never the validator's own on a card", () => {
    for (const wrong of ['x', 5, true, [], {}, null])
      for (const key of Object.keys(productSchema.shape))
        for (const message of said(productSchema, { [key]: wrong })) expect(message, key).not.toMatch(RAW);
  });
});
