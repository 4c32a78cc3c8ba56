import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, realpathSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
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

/**
 * The folder of Node's own headers, where they were installed beside it and are of this very version: the database
 * driver is then compiled without a network. Null where there are none, or where somebody has set another.
 */
export function ownHeaders(node = process.execPath, version = process.versions.node, env = process.env) {
  if (env.npm_config_nodedir) return null;
  const prefix = resolve(dirname(realpathSync(node)), '..');
  const header = join(prefix, 'include/node/node_version.h');
  if (!existsSync(header)) return null;
  const text = readFileSync(header, 'utf8');
  const part = (name) => new RegExp(`#define NODE_${name}_VERSION (\\d+)`).exec(text)?.[1];
  return [part('MAJOR'), part('MINOR'), part('PATCH')].join('.') === version ? prefix : null;
}

/** Name and version of every package that a lock file asks for on every machine. */
function packagesOf(lock) {
  const packages = Object.entries(lock.packages ?? {});
  return packages.filter(([path, p]) => path.includes('node_modules/') && !p.link && !p.optional);
}

/**
 * Whether somebody has installed just what the lock file asks for, by `npm ci` of their own: then nothing is to be
 * compiled again. @param root folder of the project
 */
export function isInstalledByHand(root) {
  const own = join(root, 'node_modules/.package-lock.json');
  const driver = join(root, 'node_modules/sqlite3/build/Release/node_sqlite3.node');
  if (!existsSync(own) || !existsSync(driver)) return false;
  const wanted = packagesOf(JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8')));
  const there = JSON.parse(readFileSync(own, 'utf8')).packages ?? {};
  return wanted.length > 0 && wanted.every(([path, p]) => there[path]?.version === p.version);
}

/** Whether the compiled database driver loads in this Node; one of another version does not. */
const driverLoads = () =>
  spawnSync(process.execPath, ['-e', "require('sqlite3')"], { cwd: ROOT, stdio: 'ignore' }).status === 0;

/**
 * Installs the packages where they are missing or the lock file has changed. The database driver is compiled here,
 * which takes some minutes.
 */
export async function ensureInstalled() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    console.error(`Warm Jar needs Node 20.19 or newer; this is ${process.versions.node}.`);
    process.exit(1);
  }
  const hash = hashOf(WANTED, process.versions.modules);
  if (existsSync(join(ROOT, 'node_modules')) && isStamped(STAMP, hash)) return;
  if (isInstalledByHand(ROOT) && driverLoads()) {
    stamp(STAMP, hash);
    return;
  }
  console.log('Installing packages. The first time, the database driver is compiled, which takes about four minutes.');
  const headers = ownHeaders();
  const env = headers === null ? process.env : { ...process.env, npm_config_nodedir: headers };
  await mustRun('npm', ['ci', '--no-audit', '--no-fund'], { env });
  stamp(STAMP, hash);
}
