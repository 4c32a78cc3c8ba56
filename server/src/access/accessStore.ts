import { codeFault, type Deed, type DeviceToken, type Person, type Role, type SignedIn } from '@warm-jar/core';
import { QueryTypes, type Transaction } from 'sequelize';
import { Problem, notFound } from '../http/problem';
import type { Database } from '../store/database';
import type { Actor } from './actor';
import { hashSecret, isSecret, newToken, secretFault, tokenId } from './secrets';

/** A signed-in device, whoever asks. */
export type Session = Omit<SignedIn, 'own'>;

/** A device not seen for so long is signed out, ms; and how often it is written down that it was seen. */
const [IDLE_MS, SEEN_MS] = [90 * 86_400_000, 60_000];
/** Deeds kept; the oldest go first. */
const MAX_DEEDS = 100_000;
const CALENDAR_KEY = 'calendar';

interface PersonRow {
  readonly code: string;
  readonly version: number;
  readonly name: string | null;
  readonly role: Role;
  readonly secret: string | null;
  readonly active: number;
}
const personOf = ({ secret, active, ...row }: PersonRow): Person => ({
  ...row,
  active: active === 1,
  hasSecret: secret !== null,
});

/** Who may come in, and who has. */
export function accessStore({ sequelize, models, write }: Database, now: () => Date = () => new Date()) {
  const all = <T extends object>(sql: string, replacements: unknown[] = [], transaction?: Transaction) =>
    sequelize.query<T>(sql, { type: QueryTypes.SELECT, replacements, transaction });
  const run = (sql: string, replacements: unknown[], transaction?: Transaction) =>
    sequelize.query(sql, { replacements, transaction });
  const rowOf = async (code: string, transaction?: Transaction): Promise<PersonRow | undefined> =>
    (await all<PersonRow>('SELECT * FROM people WHERE code = ?', [code], transaction))[0];
  /** Told when devices were signed out: which, each asks for itself. */
  const ended = new Set<() => void>();
  const tellEnded = () => {
    for (const listener of ended) listener();
  };
  const endSessions = (person: string, transaction?: Transaction) =>
    run(
      'UPDATE sessions SET ended_at = ? WHERE person = ? AND ended_at IS NULL',
      [now().toISOString(), person],
      transaction,
    );

  /** @throws Problem 409 where nobody would be left who may let others in */
  async function requireLead(transaction: Transaction): Promise<void> {
    const [left] = await all<{ n: number }>(
      "SELECT COUNT(*) AS n FROM people WHERE role = 'lead' AND active = 1 AND secret IS NOT NULL",
      [],
      transaction,
    );
    if ((left?.n ?? 0) === 0)
      throw new Problem(
        409,
        'last-lead',
        'Somebody must stay who may let others in: this is the last lead with a PIN.',
      );
  }
  const hasLead = async () =>
    (await all("SELECT 1 FROM people WHERE role = 'lead' AND active = 1 AND secret IS NOT NULL LIMIT 1")).length > 0;

  return {
    hasLead,
    people: async (): Promise<Person[]> =>
      (await all<PersonRow>('SELECT code, version, name, role, secret, active FROM people ORDER BY code')).map(
        personOf,
      ),
    /** @throws Problem 409 where the initials are taken */
    addPerson: async (person: {
      code: string;
      name: string | null;
      role: Role;
      secret: string | null;
    }): Promise<Person> => {
      const fault = codeFault(person.code);
      if (fault !== null) throw new Problem(400, 'invalid-input', fault, [{ path: 'code', message: fault }]);
      requireGood(person.secret);
      const kept = person.secret === null ? null : await hashSecret(person.secret);
      await write(async (transaction) => {
        if (await rowOf(person.code, transaction))
          throw new Problem(409, 'code-taken', `${person.code} is somebody already.`, [
            { path: 'code', message: `${person.code} is taken.` },
          ]);
        const at = now().toISOString();
        await run(
          'INSERT INTO people (code, version, name, role, secret, active, created_at, updated_at) VALUES (?, 1, ?, ?, ?, 1, ?, ?)',
          [person.code, person.name, person.role, kept, at, at],
          transaction,
        );
      });
      return personOf((await rowOf(person.code))!);
    },
    /** @throws Problem 404; 409 where they were changed meanwhile, or no lead would be left */
    changePerson: async (
      code: string,
      version: number,
      to: { name: string | null; role: Role; active: boolean },
    ): Promise<Person> => {
      await write(async (transaction) => {
        const row = await rowOf(code, transaction);
        if (!row) throw notFound(`Person ${code}`);
        if (row.version !== version)
          throw new Problem(409, 'version-conflict', `${code} was changed meanwhile. Load them again.`, [
            { path: 'If-Match', message: `Expected "${row.version}".` },
          ]);
        const led = row.role === 'lead' && row.active === 1 && row.secret !== null;
        await run(
          'UPDATE people SET name = ?, role = ?, active = ?, version = version + 1, updated_at = ? WHERE code = ?',
          [to.name, to.role, to.active ? 1 : 0, now().toISOString(), code],
          transaction,
        );
        if (led) await requireLead(transaction);
        if (!to.active) await endSessions(code, transaction);
      });
      if (!to.active) tellEnded();
      return personOf((await rowOf(code))!);
    },
    /** Sets a PIN or passphrase and signs out every device of theirs. @throws Problem 404, 400 */
    setSecret: async (code: string, secret: string, keep?: string): Promise<void> => {
      requireGood(secret);
      const kept = await hashSecret(secret);
      await write(async (transaction) => {
        if (!(await rowOf(code, transaction))) throw notFound(`Person ${code}`);
        await run(
          'UPDATE people SET secret = ?, active = 1, version = version + 1, updated_at = ? WHERE code = ?',
          [kept, now().toISOString(), code],
          transaction,
        );
        await run(
          'UPDATE sessions SET ended_at = ? WHERE person = ? AND ended_at IS NULL AND id <> ?',
          [now().toISOString(), code, keep ?? ''],
          transaction,
        );
      });
      tellEnded();
    },
    /** Whether that is their secret; as slow for somebody who is not there. */
    isSecretOf: async (code: string, secret: string): Promise<boolean> => {
      const row = await rowOf(code);
      return isSecret(secret, row && row.active === 1 ? row.secret : null);
    },
    /** Signs a device in: what its cookie holds from now on. */
    begin: async (person: string, device: Pick<Session, 'label' | 'how' | 'address'>): Promise<string> => {
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
    },
    /** Who a cookie stands for; null where it stands for nobody any more. */
    actorOf: async (token: string, address: string): Promise<Actor | null> => {
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
    },
    sessions: (person: string | null): Promise<Session[]> =>
      all<Session>(
        `SELECT id, person, label, how, address, created_at AS createdAt, seen_at AS seenAt FROM sessions
         WHERE ended_at IS NULL AND (? IS NULL OR person = ?) ORDER BY seen_at DESC`,
        [person, person],
      ),
    /** @throws Problem 404 where there is none of that name, or it is another's */
    endSession: async (id: string, person: string | null): Promise<void> => {
      const [row] = await all<{ person: string }>('SELECT person FROM sessions WHERE id = ? AND ended_at IS NULL', [
        id,
      ]);
      if (!row || (person !== null && row.person !== person)) throw notFound('That device');
      await write((transaction) =>
        run('UPDATE sessions SET ended_at = ? WHERE id = ?', [now().toISOString(), id], transaction),
      );
      tellEnded();
    },
    /** Hears whenever devices were signed out. @returns what ends the hearing */
    onEnded: (listener: () => void): (() => void) => {
      ended.add(listener);
      return () => {
        ended.delete(listener);
      };
    },
    isLive: async (id: string): Promise<boolean> =>
      (
        await all(
          'SELECT 1 FROM sessions s JOIN people p ON p.code = s.person WHERE s.id = ? AND s.ended_at IS NULL AND p.active = 1',
          [id],
        )
      ).length > 0,

    deviceTokens: (): Promise<DeviceToken[]> =>
      all<DeviceToken>(
        `SELECT id, device, label, created_at AS createdAt, created_by AS createdBy, used_at AS usedAt FROM device_tokens
         WHERE ended_at IS NULL ORDER BY device, created_at`,
      ),
    addDeviceToken: async (
      device: string,
      label: string,
      by: string | null,
    ): Promise<{ id: string; token: string }> => {
      const token = newToken();
      await write((transaction) =>
        run(
          'INSERT INTO device_tokens (id, device, label, created_at, created_by) VALUES (?, ?, ?, ?, ?)',
          [tokenId(token), device, label, now().toISOString(), by],
          transaction,
        ),
      );
      return { id: tokenId(token), token };
    },
    /** @throws Problem 404 */
    endDeviceToken: async (id: string): Promise<void> => {
      const known = await all('SELECT 1 FROM device_tokens WHERE id = ? AND ended_at IS NULL', [id]);
      if (known.length === 0) throw notFound('That token');
      await write((transaction) =>
        run('UPDATE device_tokens SET ended_at = ? WHERE id = ?', [now().toISOString(), id], transaction),
      );
    },
    /** The device that a token speaks for; null for none. */
    deviceOf: async (token: string): Promise<string | null> => {
      const [row] = await all<{ device: string }>(
        'SELECT device FROM device_tokens WHERE id = ? AND ended_at IS NULL',
        [tokenId(token)],
      );
      if (!row) return null;
      await write((transaction) =>
        run('UPDATE device_tokens SET used_at = ? WHERE id = ?', [now().toISOString(), tokenId(token)], transaction),
      );
      return row.device;
    },

    /** The secret in the calendar's address; made when it is first asked for, or anew. */
    calendarKey: async (renew = false): Promise<string> => {
      const row = await models.settings.findByPk(CALENDAR_KEY);
      const kept: unknown = row ? JSON.parse(row.value) : null;
      if (!renew && typeof kept === 'string') return kept;
      const made = newToken();
      await write((transaction) =>
        models.settings.upsert({ key: CALENDAR_KEY, value: JSON.stringify(made) }, { transaction }),
      );
      return made;
    },

    did: (actor: Actor | undefined, what: string, place: string): Promise<void> =>
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
      }),
    /** Who did what, latest first. */
    deeds: async (before: number | null, most: number): Promise<Deed[]> =>
      (
        await all<Omit<Deed, 'verified'> & { verified: number }>(
          'SELECT id, at, by, verified, what, place, address FROM deeds WHERE (? IS NULL OR id < ?) ORDER BY id DESC LIMIT ?',
          [before, before, most],
        )
      ).map((d) => ({ ...d, verified: d.verified === 1 })),
  };
}

/** @throws Problem 400 for a secret that is too easy */
function requireGood(secret: string | null): void {
  const fault = secret === null ? null : secretFault(secret);
  if (fault !== null) throw new Problem(400, 'invalid-input', fault, [{ path: 'secret', message: fault }]);
}

export type AccessStore = ReturnType<typeof accessStore>;
