import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, mustRun } from './run.mjs';
import { hashOf, isStamped, stamp } from './stamp.mjs';

const STAMP = 'node_modules/.warm-jar-installed';
const WANTED = [
  'package.json',
  'package-lock.json',
  'core/package.json',
  'server/package.json',
  'web/package.json',
  'e2e/package.json',
];

/** Installs the packages where they are missing or the lock file has changed. The database driver is compiled here, which takes some minutes. */
export async function ensureInstalled() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    console.error(`Warm Jar needs Node 20.19 or newer; this is ${process.versions.node}.`);
    process.exit(1);
  }
  const hash = hashOf(WANTED, process.versions.modules);
  if (existsSync(join(ROOT, 'node_modules')) && isStamped(STAMP, hash)) return;
  console.log('Installing packages. The first time, the database driver is compiled, which takes about four minutes.');
  await mustRun('npm', ['ci', '--no-audit', '--no-fund']);
  stamp(STAMP, hash);
}
