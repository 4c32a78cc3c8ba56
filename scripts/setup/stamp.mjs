import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { ROOT } from './run.mjs';

function filesUnder(path) {
  if (!existsSync(path)) return [];
  if (statSync(path).isFile()) return [path];
  return readdirSync(path)
    .sort()
    .flatMap((name) => (name === 'node_modules' || name === 'dist' ? [] : filesUnder(join(path, name))));
}

/** One hash over the names and contents of files and folders, tests left out. */
export function hashOf(paths, ...more) {
  const hash = createHash('sha256');
  for (const file of paths.flatMap((p) => filesUnder(join(ROOT, p)))) {
    if (file.endsWith('.test.ts')) continue;
    hash.update(relative(ROOT, file)).update(readFileSync(file));
  }
  for (const text of more) hash.update(text);
  return hash.digest('hex');
}

/** Whether `file` already holds this hash: the work it stands for is done. */
export const isStamped = (file, hash) =>
  existsSync(join(ROOT, file)) && readFileSync(join(ROOT, file), 'utf8') === hash;

export function stamp(file, hash) {
  mkdirSync(dirname(join(ROOT, file)), { recursive: true });
  writeFileSync(join(ROOT, file), hash);
}
