/** Style sheets that the page asked for and could not be given. */
const missing = new Set<HTMLLinkElement>();

// Heard on its way down to the link: such an event does not come up again.
globalThis.document?.addEventListener(
  'error',
  ({ target }) => {
    if (target instanceof HTMLLinkElement && target.rel === 'stylesheet') missing.add(target);
  },
  true,
);

/**
 * Asks again for style sheets that could not be fetched: whoever brings a part with its sheet does so once, and the part
 * would come without it, its rows too small for gloves.
 * @throws where one of them still cannot be had
 */
export async function missingSheets(): Promise<void> {
  const again = [...missing];
  missing.clear();
  await Promise.all(
    again.map((link) => {
      const anew = link.cloneNode() as HTMLLinkElement;
      const come = new Promise((done, fail) => {
        anew.addEventListener('load', done);
        anew.addEventListener('error', fail);
      });
      link.replaceWith(anew);
      return come;
    }),
  );
}
