import { codeFault, type Person, type Role } from '@warm-jar/core';
import type { Transaction } from 'sequelize';
import { Problem, notFound } from '../http/problem';
import type { AccessContext, PersonRow } from './accessContext';
import { hashSecret, isSecret, secretFault } from './secrets';

const personOf = ({ secret, active, ...row }: PersonRow): Person => ({
  ...row,
  active: active === 1,
  hasSecret: secret !== null,
});

const endSessions = ({ run, now }: Pick<AccessContext, 'run' | 'now'>, person: string, transaction: Transaction) =>
  run(
    'UPDATE sessions SET ended_at = ? WHERE person = ? AND ended_at IS NULL',
    [now().toISOString(), person],
    transaction,
  );

/** @throws Problem 409 where nobody would be left who may let others in */
async function requireLead({ all }: Pick<AccessContext, 'all'>, transaction: Transaction): Promise<void> {
  const [left] = await all<{ n: number }>(
    "SELECT COUNT(*) AS n FROM people WHERE role = 'lead' AND active = 1 AND secret IS NOT NULL",
    [],
    transaction,
  );
  if ((left?.n ?? 0) === 0)
    throw new Problem(409, 'last-lead', 'Somebody must stay who may let others in: this is the last lead with a PIN.');
}
const hasLead =
  ({ all }: AccessContext) =>
  async () =>
    (await all("SELECT 1 FROM people WHERE role = 'lead' AND active = 1 AND secret IS NOT NULL LIMIT 1")).length > 0;

/** @throws Problem 400 for a secret that is too easy */
function requireGood(secret: string | null): void {
  const fault = secret === null ? null : secretFault(secret);
  if (fault !== null) throw new Problem(400, 'invalid-input', fault, [{ path: 'secret', message: fault }]);
}

const people =
  ({ all }: AccessContext) =>
  async (): Promise<Person[]> =>
    (await all<PersonRow>('SELECT code, version, name, role, secret, active FROM people ORDER BY code')).map(personOf);

/** @throws Problem 409 where the initials are taken */
const addPerson =
  ({ run, write, rowOf, now }: AccessContext) =>
  async (person: { code: string; name: string | null; role: Role; secret: string | null }): Promise<Person> => {
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
  };

/** @throws Problem 404; 409 where they were changed meanwhile, or no lead would be left */
const changePerson =
  ({ all, run, write, rowOf, tellEnded, now }: AccessContext) =>
  async (code: string, version: number, to: { name: string | null; role: Role; active: boolean }): Promise<Person> => {
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
      if (led) await requireLead({ all }, transaction);
      if (!to.active) await endSessions({ run, now }, code, transaction);
    });
    if (!to.active) tellEnded();
    return personOf((await rowOf(code))!);
  };

/** Sets a PIN or passphrase and signs out every device of theirs. @throws Problem 404, 400 */
const setSecret =
  ({ run, write, rowOf, tellEnded, now }: AccessContext) =>
  async (code: string, secret: string, keep?: string): Promise<void> => {
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
  };

/** Whether that is their secret; as slow for somebody who is not there. */
const isSecretOf =
  ({ rowOf }: AccessContext) =>
  async (code: string, secret: string): Promise<boolean> => {
    const row = await rowOf(code);
    return isSecret(secret, row && row.active === 1 ? row.secret : null);
  };

/** Who works here, and their secrets. */
export const peopleStore = (context: AccessContext) => ({
  hasLead: hasLead(context),
  people: people(context),
  addPerson: addPerson(context),
  changePerson: changePerson(context),
  setSecret: setSecret(context),
  isSecretOf: isSecretOf(context),
});
