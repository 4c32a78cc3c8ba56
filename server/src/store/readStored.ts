import { takeAway } from '@warm-jar/core';
import type { z } from 'zod';

/** More rounds than a document is deep: each takes something away, so it comes to an end long before. */
const MAX_ROUNDS = 50;

/**
 * A stored document as its format has it now. It was written under an older format, or by another hand: what does not
 * fit is left out of what is read, and stays in what is stored, so that no answer fails over it.
 */
export function readStored<T>(schema: z.ZodType<T>, text: string): T {
  const document: unknown = JSON.parse(text);
  /** How often something at a path was wrong: each time one level more is taken away. */
  const wrong = new Map<string, number>();
  for (let round = 0; round < MAX_ROUNDS; round += 1) {
    const parsed = schema.safeParse(document);
    if (parsed.success) return parsed.data;
    const { path } = parsed.error.issues[0]!;
    const times = wrong.get(path.join('.')) ?? 0;
    wrong.set(path.join('.'), times + 1);
    const at = path.slice(0, path.length - times);
    if (at.length === 0) break;
    takeAway(document, at);
  }
  return document as T;
}
