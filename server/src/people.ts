import { dirname } from 'node:path';
import { ROLES, type Role } from '@warm-jar/core';
import { accessStore, type AccessStore } from './access/accessStore';
import { randomPin } from './access/secrets';
import { readConfig } from './config';
import { Problem } from './http/problem';
import { startProblem } from './start/startProblem';
import { openDatabase } from './store/database';

const USAGE = `Who may come in, from the studio's own computer:
  npm run people -- list
  npm run people -- add KO lead "a name"     roles: ${ROLES.join(', ')}; tells a PIN, once
  npm run people -- pin KO                   another PIN, told once; signs out every device of theirs
  npm run people -- role KO technician`;

const isRole = (text: string | undefined): text is Role => ROLES.includes(text as Role);

/** One act on the people of a studio, in words for whoever asked. @throws Problem */
export async function peopleCommand(store: AccessStore, [act, code, role, name]: readonly string[]): Promise<string> {
  if (act === 'list') {
    const people = await store.people();
    if (people.length === 0) return 'Nobody is set up yet.';
    return people
      .map(
        (p) =>
          `${p.code}\t${p.role}${p.active ? '' : ', left'}${p.hasSecret ? '' : ', no PIN'}${p.name ? `\t${p.name}` : ''}`,
      )
      .join('\n');
  }
  if (act === 'add' && code && isRole(role)) {
    const pin = randomPin();
    await store.addPerson({ code, role, name: name ?? null, secret: pin });
    await store.did(undefined, 'Add somebody, by the command on the machine', `/people/${code}`);
    return `${code} is set up as ${role}. PIN, told this once: ${pin}`;
  }
  if (act === 'pin' && code) {
    const pin = randomPin();
    await store.setSecret(code, pin);
    await store.did(undefined, 'Set a PIN, by the command on the machine', `/people/${code}`);
    return `PIN of ${code}, told this once: ${pin}. Every device of theirs is signed out.`;
  }
  if (act === 'role' && code && isRole(role)) {
    const person = (await store.people()).find((p) => p.code === code);
    if (!person) throw new Problem(404, 'not-found', `There is nobody called ${code}.`);
    await store.changePerson(code, person.version, { name: person.name, active: person.active, role });
    await store.did(undefined, 'Change a role, by the command on the machine', `/people/${code}`);
    return `${code} is ${role} now.`;
  }
  return USAGE;
}

async function main(): Promise<void> {
  const config = readConfig(process.env, []);
  const database = await openDatabase(config.file).catch((error: unknown) => {
    const starting = { host: config.host, port: config.port, file: config.file, folder: dirname(config.file) };
    throw new Error(startProblem(error, starting) ?? String(error), { cause: error });
  });
  try {
    console.log(await peopleCommand(accessStore(database), process.argv.slice(2)));
  } finally {
    await database.close();
  }
}

// Only where it was asked for by name: the tests ask for its parts.
if (process.argv[1] && /people\.(js|ts)$/.test(process.argv[1]))
  main().catch((error: unknown) => {
    console.error(error instanceof Error ? error.message : error);
    process.exit(1);
  });
