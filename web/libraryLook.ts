import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';
import { Theme, dt } from '@primeuix/styled';
import type { Plugin } from 'vite';
import { WarmJarTheme } from './src/app/theme';

/** A style of the library, as far as its sheet is asked for. */
interface LibraryStyle {
  extend: (more: { name: string; style: unknown }) => LibraryStyle;
  getCommonThemeStyleSheet: () => string;
  getThemeStyleSheet: () => string;
  /** Rules that are written for each part as it is first drawn. */
  readonly css?: string | ((of: { dt: typeof dt }) => string);
}

const require = createRequire(import.meta.url);
const load = async <T>(name: string): Promise<T> =>
  (await import(/* @vite-ignore */ pathToFileURL(require.resolve(name)).href)) as T;

/** What stands within the style elements that the library would write into a page. */
const withinElements = (markup: string): string =>
  [...markup.matchAll(/<style[^>]*>([\s\S]*?)<\/style>/g)].map(([, css]) => css).join('\n');

/** Parts that bring rules along beside their look; the first are those of all parts. */
const WITH_RULES = ['@primevue/core/base/style', '@primevue/icons/baseicon/style', 'primevue/virtualscroller/style'];
const drawnRules = (): Promise<string[]> =>
  Promise.all(
    WITH_RULES.map(async (name) => {
      const { css } = (await load<{ default: LibraryStyle }>(name)).default;
      return typeof css === 'function' ? css({ dt }) : (css ?? '');
    }),
  );

/** The look of one part of the library as a style sheet; of `base`, what all parts share. */
export async function lookOf(part: string, name = part): Promise<string> {
  Theme.setTheme({ preset: WarmJarTheme, options: { darkModeSelector: '.never-dark' } });
  const { default: base } = await load<{ default: LibraryStyle }>('@primevue/core/base/style');
  if (part === 'base')
    return [withinElements(base.getCommonThemeStyleSheet() + base.getThemeStyleSheet()), ...(await drawnRules())].join(
      '\n',
    );
  const { style } = await load<{ style: unknown }>(`@primeuix/styles/${part}`);
  return withinElements(base.extend({ name, style }).getThemeStyleSheet());
}

/** Where the library takes a part's style from, in the code that it ships. */
const STYLE = /import \{ style \} from '@primeuix\/styles\/(\w+)';/;
const SHEET = 'virtual:look/';

/** Where a part writes its rules into the page as it is first drawn. */
const WRITES_RULES = 'return this.load(this.css, options);';
/**
 * They stand in the sheet of all parts, so that nothing is written.
 * @throws Error where the library does it otherwise
 */
function withoutRules(code: string): string {
  if (!code.includes(WRITES_RULES)) throw new Error('The library writes the rules of its parts otherwise than it did.');
  return code.replace(WRITES_RULES, 'return {};');
}

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
    const own = code.replace(STYLE, `import '${SHEET}${part},${name}.css';\nvar style = '';`);
    return { code: part === 'base' ? withoutRules(own) : own, map: null };
  },
});
