import { existsSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** Code and style sent before a page shows, packed by brotli; and the fonts that every page asks for first; bytes. */
export const BUDGET = { first: 150_000, view: 300_000, fonts: 45_000 };
/** The page that a studio begins the day with. */
const FIRST = 'src/views/today/TodayView.vue';
const ENTRY = 'index.html';

/** All that is asked for with some entries of the manifest, what is only imported later left out. */
export function filesOf(manifest, entries) {
  const [files, seen] = [new Set(), new Set()];
  const waiting = [...entries];
  for (let key = waiting.pop(); key !== undefined; key = waiting.pop()) {
    const chunk = manifest[key];
    if (!chunk || seen.has(key)) continue;
    seen.add(key);
    files.add(chunk.file);
    for (const css of chunk.css ?? []) files.add(css);
    waiting.push(...(chunk.imports ?? []));
  }
  return [...files];
}

function packedBytes(dist, file) {
  const packed = join(dist, `${file}.br`);
  return statSync(existsSync(packed) ? packed : join(dist, file)).size;
}

/** What each view sends before it shows, packed, bytes; and the fonts. */
export function sizesOf(root) {
  const dist = join(root, 'web/dist');
  const manifest = JSON.parse(readFileSync(join(dist, '.vite/manifest.json'), 'utf8'));
  const sum = (entries) => filesOf(manifest, entries).reduce((total, f) => total + packedBytes(dist, f), 0);
  const views = Object.keys(manifest).filter((key) => /^src\/views\/.*View\.vue$/.test(key));
  const html = readFileSync(join(dist, 'index.html'), 'utf8');
  const fonts = [...html.matchAll(/<link rel="preload"[^>]*href="\/([^"]+\.woff2)"/g)].map(([, file]) => file);
  return {
    first: sum([ENTRY, FIRST]),
    views: Object.fromEntries(views.map((view) => [view, sum([ENTRY, view])])),
    fonts: fonts.reduce((total, f) => total + statSync(join(dist, f)).size, 0),
    fontCount: fonts.length,
  };
}

/** Where the built application is larger than it may be; none where all of it fits. */
export function sizeProblems(root, log = console.log) {
  const { first, views, fonts, fontCount } = sizesOf(root);
  const kB = (bytes) => `${(bytes / 1000).toFixed(1)} kB`;
  const largest = Object.entries(views).sort((a, b) => b[1] - a[1])[0];
  log(`first view ${kB(first)}, largest other ${largest[0]} ${kB(largest[1])}, ${fontCount} fonts ${kB(fonts)}`);
  return [
    ...(first > BUDGET.first ? [`The first view sends ${kB(first)}; ${kB(BUDGET.first)} are allowed.`] : []),
    ...Object.entries(views).flatMap(([view, size]) =>
      size > BUDGET.view ? [`${view} sends ${kB(size)}; ${kB(BUDGET.view)} are allowed.`] : [],
    ),
    ...(fonts > BUDGET.fonts ? [`The first fonts are ${kB(fonts)}; ${kB(BUDGET.fonts)} are allowed.`] : []),
    ...(fontCount === 0 || Object.keys(views).length < 20 ? ['Fonts or views were not found in what was built.'] : []),
  ];
}
