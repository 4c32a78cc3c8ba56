import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import * as core from '@warm-jar/core';

const ROOT = new URL('../core/src/', import.meta.url).pathname;
const files = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((e) => {
    if (e.isDirectory()) return files(join(folder, e.name));
    return e.name.endsWith('.ts') && !e.name.endsWith('.test.ts') ? [join(folder, e.name)] : [];
  });

/** Cards that examples name in camel case. */
const cards = Object.fromEntries(
  core.SALTMARSH_CARDS.map((c) => [c.slug.replaceAll(/-(\w)/g, (_, l: string) => l.toUpperCase()), c]),
);
const examples = files(ROOT).flatMap((file) =>
  [...readFileSync(file, 'utf8').matchAll(/@example (.+?) \/\/ (.+)/g)].map((m) => ({
    file: file.slice(ROOT.length),
    call: m[1]!,
    result: m[2]!.replace(/\s*\*\/$/, '').trim(),
  })),
);

/** Runs an example with the core's own exports in scope. */
function run(call: string): unknown {
  const scope: Record<string, unknown> = { ...core, ...cards };
  return (Function(...Object.keys(scope), `return (${call});`) as (...values: unknown[]) => unknown)(
    ...Object.values(scope),
  );
}

describe('the examples in the documentation', () => {
  it('are many', () => expect(examples.length).toBeGreaterThan(15));
  it.each(examples.filter((e) => !/[{}]/.test(e.result)))('$file: $call is $result', ({ call, result }) => {
    const found = run(call);
    const stated = Number(result.replace(/^about /, ''));
    if (Number.isNaN(stated)) {
      expect(found).toEqual(run(result));
      return;
    }
    // A stated figure is right to its last digit; "about" is right to a twentieth.
    const digits = (result.split('.')[1] ?? '').length;
    expect(Math.abs((found as number) - stated)).toBeLessThanOrEqual(
      result.startsWith('about') ? stated / 20 : 0.5 * 10 ** -digits + 1e-9,
    );
  });
});
