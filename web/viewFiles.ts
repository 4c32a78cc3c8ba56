import { fileURLToPath } from 'node:url';
import type { OutputBundle, OutputChunk } from 'rolldown';
import { runnerImport, type Plugin } from 'vite';
import { createRouterMatcher, type RouteRecordRaw } from 'vue-router';
import type { Place } from './src/places/place';

const PLACES = fileURLToPath(new URL('src/places/places.ts', import.meta.url));
/** Where the server finds it, beside the manifest; it is nothing that a browser asks for. */
const FILE = '.vite/views.json';

/** The files of a view and what it asks for, for every address that shows it. */
export interface ViewFiles {
  /** What the path of an address matches, as a regular expression. */
  readonly pattern: string;
  readonly scripts: readonly string[];
  readonly styles: readonly string[];
  /** What is asked of the server at once, behind the API's prefix; `$1` is the first part that the pattern found. */
  readonly asks: readonly string[];
  /** Whether it has the bar around it. */
  readonly bar: boolean;
}

/** What the shell around every page asks for. */
const SHELL_ASKS = ['/products', '/work'];

/** An address, before it is known which files its view is in. */
type Address = Pick<ViewFiles, 'pattern' | 'asks' | 'bar'> & { readonly view: string };

/** Addresses with the module of their view, in the order in which the router tries them. */
export function viewsByAddress(places: readonly Pick<Place, 'path' | 'view' | 'asks' | 'open' | 'bare'>[]): Address[] {
  const routes = places.map(({ path, view, asks = [], open, bare }): RouteRecordRaw => ({
    path,
    component: view,
    // Before somebody signed in nothing is to be had.
    meta: { asks: open ? [] : [...SHELL_ASKS, ...asks], bar: bare !== true },
  }));
  return createRouterMatcher(routes, {})
    .getRoutes()
    .flatMap(({ re, keys, record }) => {
      const view = /views\/[\w/]+\.vue/.exec(String(record.components?.['default']))?.[0];
      const placed = (_: string, name: string) => `$${keys.findIndex((key) => key.name === name) + 1}`;
      const asks = (record.meta['asks'] as readonly string[]).map((ask) => ask.replace(/:(\w+)/g, placed));
      return view === undefined ? [] : [{ pattern: re.source, view, asks, bar: record.meta['bar'] === true }];
    });
}

/** All that some scripts ask for at once, with themselves. */
function withImports(bundle: OutputBundle, begins: readonly string[]): OutputChunk[] {
  const found = new Map<string, OutputChunk>();
  const waiting = [...begins];
  for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
    const chunk = bundle[at];
    if (found.has(at) || chunk?.type !== 'chunk') continue;
    found.set(at, chunk);
    waiting.push(...chunk.imports);
  }
  return [...found.values()];
}

const filesOf = (chunks: readonly OutputChunk[]) => ({
  scripts: chunks.map((c) => c.fileName),
  styles: [...new Set(chunks.flatMap((c) => [...(c.viteMetadata?.importedCss ?? [])]))],
});

/** What each view needs beside what every page begins with. */
export function filesByAddress(bundle: OutputBundle, addresses: readonly Address[]): ViewFiles[] {
  const chunks = Object.values(bundle).filter((c) => c.type === 'chunk');
  const entries = chunks.filter((c) => c.isEntry).map((c) => c.fileName);
  const first = filesOf(withImports(bundle, entries));
  return addresses.flatMap(({ pattern, view, asks, bar }) => {
    const own = chunks.find((c) => c.facadeModuleId?.replaceAll('\\', '/').endsWith(`/src/${view}`));
    if (!own) return [];
    const { scripts, styles } = filesOf(withImports(bundle, [own.fileName]));
    return [
      {
        pattern,
        scripts: scripts.filter((file) => !first.scripts.includes(file)),
        styles: styles.filter((file) => !first.styles.includes(file)),
        asks,
        bar,
      },
    ];
  });
}

/**
 * Writes down which files each view needs, and what it asks for, so that the server can tell a browser at once: else it
 * learns of them when the application has started, has asked who is there, and has looked up the address.
 */
export const viewFiles = (): Plugin => ({
  name: 'view-files',
  apply: 'build',
  enforce: 'post',
  async generateBundle(_options, bundle) {
    const { module } = await runnerImport<{ PLACES: readonly Place[] }>(PLACES);
    const files = filesByAddress(bundle, viewsByAddress(module.PLACES));
    // A place without its files would only be slow, which nobody sees.
    if (files.length !== module.PLACES.length)
      throw new Error(`The files of ${files.length} views were found; there are ${module.PLACES.length} places.`);
    this.emitFile({ type: 'asset', fileName: FILE, source: JSON.stringify(files) });
  },
});
