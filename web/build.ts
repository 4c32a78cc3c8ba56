import { readFileSync } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import type { Plugin } from 'vite';

const [brotli, zip] = [promisify(brotliCompress), promisify(gzip)];
/** Smaller files gain nothing, bytes. */
const WORTH_IT = 1_000;

/** Lays each text file down packed too, as small as it gets, so that no answer waits for it. */
export const packed = (): Plugin => ({
  name: 'packed-assets',
  apply: 'build',
  enforce: 'post',
  // When it is written: until then others still put the last names in.
  async writeBundle({ dir }, bundle) {
    const texts = Object.keys(bundle).filter((name) => /\.(?:js|mjs|css|svg)$/.test(name));
    await Promise.all(
      texts.map(async (name) => {
        const file = join(dir ?? '.', name);
        const content = await readFile(file);
        if (content.length < WORTH_IT) return;
        const params = { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: content.length };
        await writeFile(`${file}.br`, await brotli(content, { params }));
        await writeFile(`${file}.gz`, await zip(content, { level: 9 }));
      }),
    );
  },
});

/** Fonts that every page draws with are asked for before any style names them. */
export const FIRST_FONTS = ['text', 'figures', 'icons'];
export const preloadedFonts = (): Plugin => ({
  name: 'preloaded-fonts',
  apply: 'build',
  transformIndexHtml: {
    order: 'post',
    handler: (_html, { bundle }) =>
      FIRST_FONTS.flatMap((name) => {
        const file = Object.keys(bundle ?? {}).find((f) => new RegExp(`^${name}-[\\w-]+\\.woff2$`).test(basename(f)));
        return file === undefined
          ? []
          : [
              {
                tag: 'link',
                attrs: { rel: 'preload', as: 'font', type: 'font/woff2', crossorigin: '', href: `/${file}` },
                injectTo: 'head-prepend' as const,
              },
            ];
      }),
  },
});

/**
 * Modules of the JSON Schema that a schema could be told as. Nothing of the page asks for it; what did would say so.
 */
const ONLY_FOR_SCHEMAS = /zod[\\/]v4[\\/]core[\\/](?:to-json-schema|json-schema-processors|json-schema-generator)\.js$/;
export const withoutJsonSchema = (): Plugin => ({
  name: 'without-json-schema',
  apply: 'build',
  enforce: 'pre',
  load: (id) => {
    if (!ONLY_FOR_SCHEMAS.test(id)) return null;
    const names = [...readFileSync(id, 'utf8').matchAll(/^export (?:const|function|class) (\w+)/gm)].map((m) => m[1]);
    const says = "throw new Error('A JSON Schema is not to be had in the page.');";
    return [...names, 'process'].map((name) => `export const ${name} = () => { ${says} };`).join('\n');
  },
});

/** What a bundler tells of a module while it sorts modules into files. */
interface Modules {
  readonly getModuleInfo: (id: string) => { readonly importedIds: readonly string[] } | null;
}
type Sorted = (id: string, modules: Modules) => string | null;

/**
 * Sorts all that the first page needs into one file: three score small files pack worse, and each waits for its turn.
 * @param begins the modules that the page begins with
 */
export function firstPage(begins: readonly string[]): Sorted {
  let reached: ReadonlySet<string> | null = null;
  return (id, modules) => {
    reached ??= reachedFrom(begins, modules);
    return reached.has(id) ? 'first' : null;
  };
}

/**
 * Sorts what many views need into one file, by how many of them need it: a browser asks for six files at once, so that
 * fifty of a kilobyte each wait in a row.
 * @param views the modules of the views
 * @param least views that need it at least
 * @param heavy what only few of them need: nothing that stands on it is among what they share
 */
export function sharedBy(
  name: string,
  views: readonly string[],
  { least, heavy = /^$/ }: { readonly least: number; readonly heavy?: RegExp },
): Sorted {
  let counts: ReadonlyMap<string, number> | null = null;
  return (id, modules) => {
    counts ??= countsOf(views, modules);
    if ((counts.get(id) ?? 0) < least) return null;
    return [...reachedFrom([id], modules)].some((under) => heavy.test(under)) ? null : name;
  };
}

const LISTS = /[\\/]node_modules[\\/]|[\\/]core[\\/]src[\\/]index\.ts$/;

function reachedFrom(begins: readonly string[], modules: Modules): ReadonlySet<string> {
  const reached = new Set<string>();
  const waiting = [...begins];
  for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
    if (reached.has(at)) continue;
    reached.add(at);
    // A list of all that a package has says nothing of what is used of it: that comes along by itself.
    if (LISTS.test(at)) continue;
    waiting.push(...(modules.getModuleInfo(at)?.importedIds ?? []));
  }
  return reached;
}

function countsOf(views: readonly string[], modules: Modules): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const view of views) for (const id of reachedFrom([view], modules)) counts.set(id, (counts.get(id) ?? 0) + 1);
  return counts;
}
