/** Where a scanned code leads: a page of this studio, or words to be looked for. */
export type Scanned = { readonly path: string } | { readonly words: string };

/** Addresses that labels carry: of a batch, a bottle, a mould, a piece of gear, a piece. */
const OF_THE_STUDIO =
  /^(?:\/look-round)?(\/(?:at|batches|lots|moulds|gear|pieces|products|inclusions|additives)\/[^/?#]+(?:\?[^#]*)?)$/;

/**
 * What a code says. The address of a label stays good when the studio's computer gets another name: only its path
 * counts.
 */
export function scanned(text: string): Scanned {
  try {
    const { protocol, pathname, search } = new URL(text);
    const path = OF_THE_STUDIO.exec(`${pathname}${search}`)?.[1];
    if (/^https?:$/.test(protocol) && path !== undefined) return { path };
  } catch {
    // No address: a maker's own code.
  }
  return { words: text.slice(0, 200) };
}
