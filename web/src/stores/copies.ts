import type { z } from 'zod';
import { COPIES, openStudioDb } from './studioDb';

/** Opened with the first copy and kept open; null where the browser forbids it. */
let opened: ReturnType<typeof openStudioDb> | null = null;
const db = () => (opened ??= openStudioDb());

/** Keeps a copy of what the server told; where the browser keeps nothing, nothing is kept. */
export async function keepCopy(name: string, value: unknown): Promise<void> {
  try {
    // What is watched cannot be kept as it is; a plain copy can.
    await (await db()).put(COPIES, JSON.stringify(value), name);
  } catch {
    opened = null;
  }
}

/** What was kept under a name, as its schema has it now; null where there is nothing that fits. */
export async function copyOf<T>(name: string, schema: z.ZodType<T>): Promise<T | null> {
  try {
    const text: unknown = await (await db()).get(COPIES, name);
    if (typeof text !== 'string') return null;
    const parsed = schema.safeParse(JSON.parse(text));
    return parsed.success ? parsed.data : null;
  } catch {
    opened = null;
    return null;
  }
}
