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
                injectTo: 'head' as const,
              },
            ];
      }),
  },
});

const STYLE_LINKS = /[ \t]*<link rel="stylesheet"[^>]*>\n?/g;

/**
 * Orders what every page begins with. Styles come first: a browser asks for six files at once, and draws nothing before
 * it has them. What the application stands on is begun as soon as it is there, file by file: else all of it would be
 * begun in one go when the last has come, with no room for a frame or a tap in between.
 */
export const inOrder = (): Plugin => ({
  name: 'in-order',
  apply: 'build',
  transformIndexHtml: {
    order: 'post',
    handler: (html) => ({
      html: html
        .replaceAll(STYLE_LINKS, '')
        .replace(
          /<meta charset[^>]*>\n?/,
          (first) => first + [...html.matchAll(STYLE_LINKS)].map(([link]) => link).join(''),
        ),
      tags: [...html.matchAll(/<link rel="modulepreload"[^>]*href="([^"]+)"/g)].map(([, src]) => ({
        tag: 'script',
        attrs: { type: 'module', async: true, crossorigin: '', src: src! },
        injectTo: 'head' as const,
      })),
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

interface ModuleTold {
  readonly importedIds: readonly string[];
  readonly exports?: readonly string[];
  readonly code?: string | null;
}

/** What a bundler tells of a module while it sorts modules into files. */
interface Modules {
  readonly getModuleInfo: (id: string) => ModuleTold | null;
}
type Sorted = (id: string, modules: Modules) => string | null;

/**
 * Sorts what the first page needs into one file: three score small files pack worse, and each waits for its turn.
 * @param name of the file; what a group of the build leaves out of it goes into the next
 * @param begins the modules that the page begins with
 */
export function firstPage(name: string, begins: readonly string[]): Sorted {
  let reached: ReadonlySet<string> | null = null;
  return (id, modules) => {
    reached ??= reachedFrom(begins, modules, throughCore);
    return reached.has(id) ? name : null;
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

/**
 * Sorts into one file what several views need and is small with all that it stands on: each file of a kilobyte waits for
 * its turn like one of five.
 * @param test what is sorted: nothing that stands on other sums than these
 * @param most code that one may bring along, characters
 * @param notOf views that need few of them, and so would carry the rest in vain
 */
export function smallOnes(
  name: string,
  views: readonly string[],
  { test, most, notOf }: { readonly test: RegExp; readonly most: number; readonly notOf: RegExp },
): Sorted {
  let known: { counts: ReadonlyMap<string, number>; elsewhere: ReadonlySet<string> } | null = null;
  return (id, modules) => {
    if (!test.test(id)) return null;
    known ??= {
      counts: countsOf(views, modules, throughCore),
      elsewhere: reachedFrom(
        views.filter((v) => notOf.test(v)),
        modules,
        throughCore,
      ),
    };
    const { counts, elsewhere } = known;
    if ((counts.get(id) ?? 0) < 2 || elsewhere.has(id)) return null;
    const under = [...reachedFrom([id], modules, throughCore)].filter((part) => (counts.get(part) ?? 0) < 6);
    const brought = under.reduce((sum, part) => sum + (modules.getModuleInfo(part)?.code?.length ?? 0), 0);
    return brought <= most && under.every((part) => test.test(part)) ? name : null;
  };
}

/**
 * Sorts a large package into files of a size, each of which stands on those before it alone: a browser reads through a
 * file in one go as it comes, and answers no tap meanwhile.
 * @param begins the modules of the package that are used
 * @param most code in a file, characters as written; a module larger than that has one of its own
 */
export function inPieces(name: string, begins: readonly string[], most: number): Sorted {
  let pieces: ReadonlyMap<string, number> | null = null;
  return (id, modules) => {
    pieces ??= piecesOf(begins, modules, most);
    const piece = pieces.get(id);
    return piece === undefined ? null : `${name}${piece}`;
  };
}

function piecesOf(begins: readonly string[], modules: Modules, most: number): ReadonlyMap<string, number> {
  const seen = new Set<string>();
  const pieces = new Map<string, number>();
  let [piece, filled] = [1, 0];
  const put = (id: string) => {
    if (seen.has(id)) return;
    seen.add(id);
    const told = modules.getModuleInfo(id);
    told?.importedIds.forEach(put);
    const length = told?.code?.length ?? 0;
    if (filled > 0 && filled + length > most) [piece, filled] = [piece + 1, 0];
    pieces.set(id, piece);
    filled += length;
  };
  begins.forEach(put);
  return pieces;
}

/** A list of all that a package has says nothing of what is used of it. */
const LISTS = /[\\/]node_modules[\\/]|[\\/]core[\\/]src[\\/]index\.ts$/;
const CORE = /[\\/]core[\\/]src[\\/]index\.ts$/;
const NAMED_OF_CORE = /import\s*\{([^}]*)\}\s*from\s*['"]@warm-jar\/core['"]/g;

/** The names that a module takes from the core's list. */
const namedOfCore = (code: string): string[] =>
  [...code.matchAll(NAMED_OF_CORE)].flatMap(([, names = '']) =>
    names.split(',').map((n) => n.trim().split(/\s+as\s+/)[0]!),
  );

type ImportsOf = (id: string, modules: Modules) => readonly string[];

/** What a module imports; what a list is of comes along by itself. */
const plainImports: ImportsOf = (id, modules) => (LISTS.test(id) ? [] : (modules.getModuleInfo(id)?.importedIds ?? []));

/** What a module imports, with the modules of the core that it takes names from. */
const throughCore: ImportsOf = (id, modules) => {
  const code = modules.getModuleInfo(id)?.code ?? '';
  return plainImports(id, modules).flatMap((under) => {
    if (!CORE.test(under)) return [under];
    const parts = modules.getModuleInfo(under)?.importedIds ?? [];
    return namedOfCore(code).flatMap(
      (name) => parts.find((part) => modules.getModuleInfo(part)?.exports?.includes(name)) ?? [],
    );
  });
};

function reachedFrom(begins: readonly string[], modules: Modules, importsOf = plainImports): ReadonlySet<string> {
  const reached = new Set<string>();
  const waiting = [...begins];
  for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
    if (reached.has(at)) continue;
    reached.add(at);
    waiting.push(...importsOf(at, modules));
  }
  return reached;
}

function countsOf(views: readonly string[], modules: Modules, importsOf = plainImports): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const view of views)
    for (const id of reachedFrom([view], modules, importsOf)) counts.set(id, (counts.get(id) ?? 0) + 1);
  return counts;
}
