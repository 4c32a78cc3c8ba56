import type { Deed } from '@warm-jar/core';
import type { AccessContext } from './accessContext';
import type { Actor } from './actor';

/** Deeds kept; the oldest go first. */
const MAX_DEEDS = 100_000;

const did =
  ({ run, write, now }: AccessContext) =>
  (actor: Actor | undefined, what: string, place: string): Promise<void> =>
    write(async (transaction) => {
      await run(
        'INSERT INTO deeds (at, by, verified, what, place, address) VALUES (?, ?, ?, ?, ?, ?)',
        [
          now().toISOString(),
          actor?.person ?? null,
          actor?.verified === true ? 1 : 0,
          what,
          place,
          actor?.address ?? null,
        ],
        transaction,
      );
      await run('DELETE FROM deeds WHERE id <= (SELECT MAX(id) FROM deeds) - ?', [MAX_DEEDS], transaction);
    });

/** Who did what, latest first. */
const deeds =
  ({ all }: AccessContext) =>
  async (before: number | null, most: number): Promise<Deed[]> =>
    (
      await all<Omit<Deed, 'verified'> & { verified: number }>(
        'SELECT id, at, by, verified, what, place, address FROM deeds WHERE (? IS NULL OR id < ?) ORDER BY id DESC LIMIT ?',
        [before, before, most],
      )
    ).map((d) => ({ ...d, verified: d.verified === 1 }));

/** The book of who did what. */
export const deedStore = (context: AccessContext) => ({
  did: did(context),
  deeds: deeds(context),
});
