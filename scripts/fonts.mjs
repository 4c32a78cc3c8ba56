import { mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import subsetFont from 'subset-font';
import { ROOT } from './setup/run.mjs';

/**
 * Makes the fonts that every page loads first: the letters of western Europe and the signs of the work, in the weights
 * that are used; and of the icons the few that are drawn. All other letters stay in the packages' own files, which a
 * browser asks for only where a page has one. Run it again after an icon was added.
 */
const require = createRequire(join(ROOT, 'web/package.json'));
const packaged = (path) => readFileSync(require.resolve(path));
const OUT = join(ROOT, 'web/src/fonts');

const range = (from, until) => Array.from({ length: until - from + 1 }, (_, i) => String.fromCodePoint(from + i));
/** Letters and signs that are in the first files; `fonts.css` names the same. */
const LETTERS = [...range(0x20, 0x7e), ...range(0xa0, 0xff), ...'–—‘’“”„…•−′″€↑↓'].join('');
const WEIGHTS = { wght: { min: 400, max: 800 } };

/** Names of the icons that the interface draws, from its sources. */
export function iconsUsed(folder = join(ROOT, 'web/src')) {
  const names = new Set();
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true })) {
    if (!entry.isFile() || !/\.(vue|ts)$/.test(entry.name) || /\.test\.ts$/.test(entry.name)) continue;
    const text = readFileSync(join(entry.parentPath ?? entry.path, entry.name), 'utf8');
    for (const [, name] of text.matchAll(/\bpi-([a-z0-9-]*[a-z0-9])/g)) names.add(name);
  }
  return [...names].sort();
}

async function main() {
  mkdirSync(OUT, { recursive: true });
  const texts = {
    text: '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
    figures: '@fontsource-variable/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-wght-normal.woff2',
  };
  for (const [name, path] of Object.entries(texts)) {
    const made = await subsetFont(packaged(path), LETTERS, { targetFormat: 'woff2', variationAxes: WEIGHTS });
    writeFileSync(join(OUT, `${name}.woff2`), made);
    console.log(`${name}.woff2: ${made.length} bytes`);
  }
  const css = packaged('primeicons/primeicons.css').toString('utf8');
  const icons = iconsUsed().map((name) => {
    const found = new RegExp(`\\.pi-${name}:before\\s*\\{\\s*content:\\s*"\\\\([0-9a-f]+)"`).exec(css);
    if (!found) throw new Error(`primeicons has no icon "${name}".`);
    return { name, point: found[1] };
  });
  const glyphs = icons.map(({ point }) => String.fromCodePoint(parseInt(point, 16))).join('');
  const made = await subsetFont(packaged('primeicons/fonts/primeicons.ttf'), glyphs, { targetFormat: 'woff2' });
  writeFileSync(join(OUT, 'icons.woff2'), made);
  console.log(`icons.woff2: ${made.length} bytes, ${icons.length} icons`);
  const rules = icons.map(({ name, point }) => `.pi-${name}::before {\n  content: '\\${point}';\n}`).join('\n');
  writeFileSync(
    join(OUT, 'icons.css'),
    `/* Made by scripts/fonts.mjs from primeicons: the icons that are drawn. */\n${rules}\n`,
  );
}

if (process.argv[1]?.endsWith('fonts.mjs')) await main();
