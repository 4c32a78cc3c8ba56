import type { Role, SignedIn } from '@warm-jar/core';
import { notFound } from '../http/problem';
import type { AccessContext } from './accessContext';
import type { Actor } from './actor';
import { newToken, tokenId } from './secrets';

/** A signed-in device, whoever asks. */
export type Session = Omit<SignedIn, 'own'>;

/** A device not seen for so long is signed out, ms; and how often it is written down that it was seen. */
const [IDLE_MS, SEEN_MS] = [90 * 86_400_000, 60_000];

/** Signs a device in: what its cookie holds from now on. */
const begin =
  ({ run, write, now }: AccessContext) =>
  async (person: string, device: Pick<Session, 'label' | 'how' | 'address'>): Promise<string> => {
    const token = newToken();
    const at = now().toISOString();
    await write((transaction) =>
      run(
        'INSERT INTO sessions (id, person, label, how, address, created_at, seen_at) VALUES (?, ?, ?, ?, ?, ?, ?)',
        [tokenId(token), person, device.label, device.how, device.address, at, at],
        transaction,
      ),
    );
    return token;
  };

/** Who a cookie stands for; null where it stands for nobody any more. */
const actorOf =
  ({ all, run, write, now }: AccessContext) =>
  async (token: string, address: string): Promise<Actor | null> => {
    const [row] = await all<{ id: string; person: string; role: Role; seen: string }>(
      `SELECT s.id AS id, s.person AS person, p.role AS role, s.seen_at AS seen FROM sessions s JOIN people p ON p.code = s.person
     WHERE s.id = ? AND s.ended_at IS NULL AND p.active = 1`,
      [tokenId(token)],
    );
    if (!row) return null;
    const idle = now().getTime() - Date.parse(row.seen);
    if (idle > IDLE_MS) return null;
    if (idle > SEEN_MS)
      await write((transaction) =>
        run(
          'UPDATE sessions SET seen_at = ?, address = ? WHERE id = ?',
          [now().toISOString(), address, row.id],
          transaction,
        ),
      );
    return { person: row.person, role: row.role, verified: true, session: row.id, address };
  };

const sessions =
  ({ all }: AccessContext) =>
  (person: string | null): Promise<Session[]> =>
    all<Session>(
      `SELECT id, person, label, how, address, created_at AS createdAt, seen_at AS seenAt FROM sessions
     WHERE ended_at IS NULL AND (? IS NULL OR person = ?) ORDER BY seen_at DESC`,
      [person, person],
    );

/** @throws Problem 404 where there is none of that name, or it is another's */
const endSession =
  ({ all, run, write, tellEnded, now }: AccessContext) =>
  async (id: string, person: string | null): Promise<void> => {
    const [row] = await all<{ person: string }>('SELECT person FROM sessions WHERE id = ? AND ended_at IS NULL', [id]);
    if (!row || (person !== null && row.person !== person)) throw notFound('That device');
    await write((transaction) =>
      run('UPDATE sessions SET ended_at = ? WHERE id = ?', [now().toISOString(), id], transaction),
    );
    tellEnded();
  };

/** Hears whenever devices were signed out. @returns what ends the hearing */
const onEnded =
  ({ ended }: AccessContext) =>
  (listener: () => void): (() => void) => {
    ended.add(listener);
    return () => {
      ended.delete(listener);
    };
  };

const isLive =
  ({ all }: AccessContext) =>
  async (id: string): Promise<boolean> =>
    (
      await all(
        'SELECT 1 FROM sessions s JOIN people p ON p.code = s.person WHERE s.id = ? AND s.ended_at IS NULL AND p.active = 1',
        [id],
      )
    ).length > 0;

/** Devices that are signed in. */
export const sessionStore = (context: AccessContext) => ({
  begin: begin(context),
  actorOf: actorOf(context),
  sessions: sessions(context),
  endSession: endSession(context),
  onEnded: onEnded(context),
  isLive: isLive(context),
});
