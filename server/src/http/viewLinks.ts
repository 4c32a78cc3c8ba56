import { LOOK_ROUND_PATH } from '@warm-jar/core';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';

const viewFilesSchema = z.array(
  z.object({ pattern: z.string(), scripts: z.array(z.string()), styles: z.array(z.string()) }),
);

/**
 * Links that tell a browser at once what the view at an address needs, from what the build wrote down: else it would
 * learn of it when the application has started. None where nothing was written down.
 * @param directory where the application was built
 * @returns from the path of an address and the nonce of its answer to links for the page's head
 */
export function viewLinks(directory: string, apiPrefix: string): (path: string, nonce: string) => string {
  // What a page asks for first of all, whoever looks.
  const session = `<link rel="preload" as="fetch" crossorigin href="${apiPrefix}/session">`;
  const file = join(directory, '.vite/views.json');
  if (!existsSync(file)) return () => '';
  const views = viewFilesSchema
    .parse(JSON.parse(readFileSync(file, 'utf8')))
    .map((view) => ({ ...view, at: new RegExp(view.pattern, 'i') }));
  return (path, nonce) => {
    const isUnder = path === LOOK_ROUND_PATH || path.startsWith(`${LOOK_ROUND_PATH}/`);
    const own = isUnder ? path.slice(LOOK_ROUND_PATH.length) || '/' : path;
    const { scripts = [], styles = [] } = views.find(({ at }) => at.test(own)) ?? {};
    return [
      ...scripts.map((s) => `<link rel="modulepreload" fetchpriority="low" crossorigin href="/${s}" nonce="${nonce}">`),
      ...styles.map(
        (s) => `<link rel="preload" as="style" fetchpriority="low" crossorigin href="/${s}" nonce="${nonce}">`,
      ),
      // A look-round's session is another.
      ...(isUnder ? [] : [session]),
    ].join('');
  };
}
