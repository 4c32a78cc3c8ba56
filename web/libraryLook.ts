import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';
import { Theme } from '@primeuix/styled';
import type { Plugin } from 'vite';
import { WarmJarTheme } from './src/app/theme';

/** A style of the library, as far as its sheet is asked for. */
interface LibraryStyle {
  extend: (more: { name: string; style: unknown }) => LibraryStyle;
  getCommonThemeStyleSheet: () => string;
  getThemeStyleSheet: () => string;
}

const require = createRequire(import.meta.url);
const load = async <T>(name: string): Promise<T> =>
  (await import(/* @vite-ignore */ pathToFileURL(require.resolve(name)).href)) as T;

/** What stands within the style elements that the library would write into a page. */
const withinElements = (markup: string): string =>
  [...markup.matchAll(/<style[^>]*>([\s\S]*?)<\/style>/g)].map(([, css]) => css).join('\n');

/** The look of one part of the library as a style sheet; of `base`, what all parts share. */
export async function lookOf(part: string, name = part): Promise<string> {
  Theme.setTheme({ preset: WarmJarTheme, options: { darkModeSelector: '.never-dark' } });
  const { default: base } = await load<{ default: LibraryStyle }>('@primevue/core/base/style');
  if (part === 'base') return withinElements(base.getCommonThemeStyleSheet() + base.getThemeStyleSheet());
  const { style } = await load<{ style: unknown }>(`@primeuix/styles/${part}`);
  return withinElements(base.extend({ name, style }).getThemeStyleSheet());
}

/** Where the library takes a part's style from, in the code that it ships. */
const STYLE = /import \{ style \} from '@primeuix\/styles\/(\w+)';/;
const SHEET = 'virtual:look/';

/**
 * Writes the library's look as style sheets when the application is built, each beside the part that it is for. The
 * library would work it out anew in every browser, part by part, and for a phone that took longer than drawing.
 */
export const libraryLook = (): Plugin => ({
  name: 'library-look',
  apply: 'build',
  enforce: 'pre',
  resolveId: (id) => (id.startsWith(SHEET) ? `\0${id}` : null),
  load: (id) => {
    if (!id.startsWith(`\0${SHEET}`)) return null;
    const [part, name] = id
      .slice(SHEET.length + 1)
      .replace(/\.css$/, '')
      .split(',');
    return lookOf(part!, name);
  },
  transform: (code, id) => {
    const part = /[\\/](?:primevue|@primevue)[\\/]/.test(id) ? STYLE.exec(code)?.[1] : undefined;
    if (!part) return null;
    const name = part === 'base' ? part : (/name: '([\w-]+)'/.exec(code)?.[1] ?? part);
    return { code: code.replace(STYLE, `import '${SHEET}${part},${name}.css';\nvar style = '';`), map: null };
  },
});
