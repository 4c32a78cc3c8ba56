import { LOOK_ROUND_PATH } from '@warm-jar/core';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';

const viewFilesSchema = z.array(
  z.object({
    pattern: z.string(),
    scripts: z.array(z.string()),
    styles: z.array(z.string()),
    asks: z.array(z.string()),
    bar: z.boolean(),
  }),
);

/** A part of an address as it stands in another, whatever was typed. */
function safePart(part: string): string {
  try {
    return encodeURIComponent(decodeURIComponent(part));
  } catch {
    return encodeURIComponent(part);
  }
}

/** Whether who sent the request may ask for a path of the API: nothing is announced that would be refused. */
export type MayAsk = (path: string) => Promise<boolean>;

/** The links of one address, by the nonce of the answer. */
type LinksOf = (address: string, nonce: string, mayAsk: MayAsk) => Promise<string>;

/**
 * Links that tell a browser at once what the view at an address needs and asks for, from what the build wrote down:
 * else it would learn of it when the application has started. None where nothing was written down.
 * @param directory where the application was built
 */
export function viewLinks(directory: string, apiPrefix: string): LinksOf {
  const file = join(directory, '.vite/views.json');
  if (!existsSync(file)) return () => Promise.resolve('');
  const views = viewFilesSchema
    .parse(JSON.parse(readFileSync(file, 'utf8')))
    .map((view) => ({ ...view, at: new RegExp(view.pattern, 'i') }));
  const askedFor = (path: string) => `<link rel="preload" as="fetch" crossorigin href="${apiPrefix}${path}">`;

  return async (address, nonce, mayAsk) => {
    const [path = '', query] = address.split('?');
    const isUnder = path === LOOK_ROUND_PATH || path.startsWith(`${LOOK_ROUND_PATH}/`);
    const own = isUnder ? path.slice(LOOK_ROUND_PATH.length) || '/' : path;
    const { at, scripts, styles, asks, bar } = views.find((view) => view.at.test(own)) ?? NOTHING;
    const parts = at.exec(own) ?? [];
    // What narrows a page narrows what it asks for too, by its own rules.
    const sure = asks.filter((ask) => query === undefined || !ask.includes('?'));
    const wanted = sure.map((ask) => ask.replace(/\$(\d)/g, (_, n: string) => safePart(parts[Number(n)] ?? '')));
    const may = isUnder ? [] : await Promise.all(wanted.map(mayAsk));
    return [
      ...scripts.map((s) => `<link rel="modulepreload" crossorigin href="/${s}" nonce="${nonce}">`),
      ...styles.map(
        (s) => `<link rel="preload" as="style" fetchpriority="low" crossorigin href="/${s}" nonce="${nonce}">`,
      ),
      // Where no bar comes none is drawn for the time until it does.
      ...(bar ? [] : [`<style nonce="${nonce}">#opening{display:none}</style>`]),
      // First of all a page asks who is there. A look-round's session and its data are another studio's.
      ...(isUnder ? [] : [askedFor('/session'), ...wanted.filter((_, i) => may[i]).map(askedFor)]),
    ].join('');
  };
}
const NOTHING = { at: /$/, scripts: [], styles: [], asks: [], bar: true };
