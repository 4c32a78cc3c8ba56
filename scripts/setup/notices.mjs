import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './run.mjs';

/** The licence's own text, as the package ships it; null where it ships none. */
function licenceText(folder) {
  const file = existsSync(folder)
    ? readdirSync(folder).find((name) => /^(licen[cs]e|copying)(\.|$)/i.test(name))
    : undefined;
  return file === undefined ? null : readFileSync(join(folder, file), 'utf8').trim();
}

/**
 * The licence that a package names in its own description, in today's form
 * or the older list; undefined where it names none.
 */
function licenceNamed(folder) {
  const file = join(folder, 'package.json');
  if (!existsSync(file)) return undefined;
  const { license, licenses } = JSON.parse(readFileSync(file, 'utf8'));
  return license ?? licenses?.map(({ type }) => type).join(' OR ');
}

/** Packages that a tool for working on it builds into what ships: the service worker is made of them. */
const BUILT_IN = /^node_modules\/workbox-(core|precaching|routing|strategies)$/;

/** Packages that the application is made of: those of a lock file that are not only for working on it. */
export function shippedPackages(lock) {
  return Object.entries(lock.packages ?? {})
    .filter(
      ([path, p]) => path.includes('node_modules/') && !p.link && (BUILT_IN.test(path) || (!p.dev && !p.devOptional)),
    )
    .map(([path, { version, license }]) => ({
      path,
      name: path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length),
      version,
      licence: license ?? licenceNamed(join(ROOT, path)) ?? 'not stated',
    }))
    .sort((a, b) => a.name.localeCompare(b.name));
}

const RULE = '-'.repeat(72);

/** One text with every package that ships, its licence, and the licence's words; the fonts are among them. */
export function noticesText(packages, textOf) {
  const head = 'Warm Jar is made with the work of others. Each package, its licence, and the words of that licence:';
  const parts = packages.map(({ path, name, version, licence }) =>
    [RULE, `${name} ${version} (${licence})`, '', textOf(path) ?? `Licence: ${licence}.`, ''].join('\n'),
  );
  return `${head}\n\n${parts.join('\n')}`;
}

/** Writes the notices beside the built page, where the application hands them out. */
export function writeNotices(file = join(ROOT, 'web/dist/third-party-notices.txt')) {
  const lock = JSON.parse(readFileSync(join(ROOT, 'package-lock.json'), 'utf8'));
  writeFileSync(
    file,
    noticesText(shippedPackages(lock), (path) => licenceText(join(ROOT, path))),
  );
}
