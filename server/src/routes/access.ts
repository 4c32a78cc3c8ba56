import {
  ROLES,
  deedSchema,
  deviceTokenSchema,
  pairingSchema,
  personSchema,
  sessionSchema,
  whoSchema,
  type Who,
} from '@warm-jar/core';
import { z } from 'zod';
import type { AccessStore } from '../access/accessStore';
import { actorNow, type Actor } from '../access/actor';
import { SESSION_COOKIE, type AccessOptions } from '../access/gate';
import type { Pairings } from '../access/pairings';
import { endpoint, type Client, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';

/** How long a browser keeps its cookie, s; the server forgets a device it has not seen for as long. */
const COOKIE_S = 90 * 86_400;

const role = z.enum(ROLES);
const code = z.string().min(1, 'Write initials.').max(60);
const secret = z.string().min(1, 'Write a PIN or a passphrase.').max(200);
const name = z.string().max(200).nullable();
const byCode = z.object({ code: z.string().min(1).max(200) });
const byId = z.object({ id: z.string().regex(/^[0-9a-f]{64}$/, 'Not a name of one.') });
const label = z.string().trim().min(1, 'Say which device it is.').max(60);

/** Deeds told at once. */
const MAX_DEEDS = 100;

/** A device as its browser describes itself, in a few words. */
function deviceWords(agent: string): string {
  const kind = /mobile/i.test(agent) ? 'phone' : /tablet|pad/i.test(agent) ? 'tablet' : 'computer';
  return `a ${kind}`;
}

const cookie = (value: string, seconds: number, { secure }: Client) =>
  `${SESSION_COOKIE}=${value}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${seconds}${secure ? '; Secure' : ''}`;

interface AccessDeps {
  readonly store: AccessStore;
  readonly options: AccessOptions;
  readonly pairings: Pairings;
}

/** Whose devices somebody may see and sign out: a lead everybody's, others their own. */
const reach = (actor: Actor | undefined) => (actor?.role === 'lead' ? null : (actor?.person ?? ''));

function sessionRoutes({ store, options, pairings }: AccessDeps): Endpoint[] {
  const people = options.mode === 'people';
  const who = async (actor: Actor | undefined, { secure }: Client): Promise<Who> => ({
    mode: options.mode,
    person: actor?.person ?? null,
    role: actor?.role ?? null,
    verified: actor?.verified ?? false,
    secure: secure || options.mode === 'local',
    trust: options.trust ?? null,
    people: people ? [] : (await store.people()).filter((p) => p.active).map((p) => ({ code: p.code, name: p.name })),
  });
  const begin = async (person: string, words: string, how: 'secret' | 'pairing', client: Client) => {
    const token = await store.begin(person, { label: words, how, address: client.address });
    return { status: 204, headers: { 'Set-Cookie': cookie(token, COOKIE_S, client) } };
  };
  const requirePeople = () => {
    if (!people)
      throw new Problem(409, 'no-sign-in', 'Nobody signs in here: this studio is not on a network, or open to all.');
  };
  return [
    endpoint(
      {
        method: 'get',
        path: '/session',
        summary: 'Who this device stands for, and how people come in here',
        answers: { 200: { description: 'Who', schema: whoSchema } },
      },
      async ({ client }) => ({ status: 200, body: await who(actorNow(), client) }),
    ),
    endpoint(
      {
        method: 'post',
        path: '/session',
        summary: 'Sign in by initials and a PIN or passphrase; the answer sets a cookie',
        body: z.object({ person: code, secret }),
        answers: { 204: { description: 'Signed in' } },
      },
      async ({ body, client }) => {
        requirePeople();
        const person = body.person.trim();
        if (!(await store.isSecretOf(person, body.secret))) {
          const stranger: Actor = {
            person: null,
            role: 'board',
            verified: false,
            session: null,
            address: client.address,
          };
          await store.did(stranger, 'Try a wrong PIN', `/people/${encodeURIComponent(person)}`);
          throw new Problem(401, 'wrong', 'Initials or PIN are wrong. Try again, or ask a lead.');
        }
        return begin(person, deviceWords(client.agent), 'secret', client);
      },
    ),
    endpoint(
      {
        method: 'delete',
        path: '/session',
        summary: 'Sign this device out',
        answers: { 204: { description: 'Signed out' } },
      },
      async ({ client }) => {
        const session = actorNow()?.session;
        if (session) await store.endSession(session, null);
        return { status: 204, headers: { 'Set-Cookie': cookie('', 0, client) } };
      },
    ),
    endpoint(
      {
        method: 'get',
        path: '/sessions',
        summary: 'Devices that are signed in: of everybody for a lead, else the own ones',
        answers: { 200: { description: 'Devices', schema: z.object({ items: z.array(sessionSchema) }) } },
      },
      async () => {
        const actor = actorNow();
        const items = await store.sessions(reach(actor));
        return { status: 200, body: { items: items.map((s) => ({ ...s, own: s.id === actor?.session })) } };
      },
    ),
    endpoint(
      {
        method: 'delete',
        path: '/sessions/{id}',
        summary: 'Sign a device out',
        params: byId,
        answers: { 204: { description: 'Signed out' } },
      },
      async ({ params }) => {
        await store.endSession(params.id, reach(actorNow()));
        return { status: 204 };
      },
    ),
    endpoint(
      {
        method: 'post',
        path: '/pairings',
        summary: 'A code that signs another device in, once and within five minutes',
        body: z.object({ person: code.optional(), label }),
        answers: {
          201: { description: 'The code', schema: pairingSchema },
        },
      },
      async ({ body }) => {
        requirePeople();
        const actor = actorNow();
        const person = body.person ?? actor?.person ?? '';
        if (person !== actor?.person && actor?.role !== 'lead')
          throw new Problem(403, 'not-yours', 'Only a lead signs a device in for somebody else.');
        if (!(await store.people()).some((p) => p.code === person && p.active))
          throw new Problem(404, 'not-found', `There is nobody called ${person}.`, [
            { path: 'person', message: 'Nobody is called that.' },
          ]);
        const made = pairings.make(person, body.label);
        return {
          status: 201,
          body: { code: made.code, until: made.until.toISOString(), address: options.address ?? null },
        };
      },
    ),
    endpoint(
      {
        method: 'post',
        path: '/pairings/use',
        summary: 'Sign this device in by a code from another screen; the answer sets a cookie',
        body: z.object({ code: z.string().min(1, 'Write the code.').max(40) }),
        answers: { 204: { description: 'Signed in' } },
      },
      async ({ body, client }) => {
        requirePeople();
        const found = pairings.use(body.code);
        if (!found)
          throw new Problem(401, 'wrong', 'That code is spent, too old, or mistyped. Have a new one shown.', [
            { path: 'code', message: 'Not a code that waits.' },
          ]);
        return begin(found.person, found.label, 'pairing', client);
      },
    ),
  ];
}

function peopleRoutes({ store, options }: AccessDeps): Endpoint[] {
  return [
    endpoint(
      {
        method: 'get',
        path: '/people',
        summary: 'Who works here',
        answers: { 200: { description: 'By initials', schema: z.object({ items: z.array(personSchema) }) } },
      },
      async () => ({ status: 200, body: { items: await store.people() } }),
    ),
    endpoint(
      {
        method: 'post',
        path: '/people',
        summary: 'Add somebody; without a secret they can be named, but not sign in',
        body: z.object({ code, name: name.default(null), role, secret: secret.nullable().default(null) }),
        answers: { 201: { description: 'Added', schema: personSchema } },
      },
      async ({ body }) => {
        const person = await store.addPerson({ ...body, code: body.code.trim() });
        return { status: 201, body: person, version: person.version };
      },
    ),
    endpoint(
      {
        method: 'put',
        path: '/people/{code}',
        summary: 'Change somebody; who is not active is signed out everywhere',
        params: byCode,
        body: z.object({ name, role, active: z.boolean() }),
        versioned: true,
        answers: { 200: { description: 'As changed', schema: personSchema } },
      },
      async ({ params, body, version }) => {
        const person = await store.changePerson(params.code, version, body);
        return { status: 200, body: person, version: person.version };
      },
    ),
    endpoint(
      {
        method: 'post',
        path: '/people/{code}/secret',
        summary:
          'Set a PIN or passphrase: the own one with the one before, anybody’s by a lead. Other devices are signed out',
        params: byCode,
        body: z.object({ secret, before: secret.optional() }),
        answers: { 204: { description: 'Set' } },
      },
      async ({ params, body }) => {
        const actor = actorNow();
        const own = actor?.person === params.code;
        if (options.mode === 'people') {
          if (!own && actor?.role !== 'lead') throw new Problem(403, 'not-yours', 'Only a lead sets another’s PIN.');
          if (own && !(await store.isSecretOf(params.code, body.before ?? '')))
            throw new Problem(403, 'wrong', 'The PIN before is wrong.', [{ path: 'before', message: 'Wrong.' }]);
        }
        await store.setSecret(params.code, body.secret, own ? (actor?.session ?? undefined) : undefined);
        return { status: 204 };
      },
    ),
    endpoint(
      {
        method: 'get',
        path: '/deeds',
        summary: 'Who did what, latest first',
        query: z.object({ before: z.coerce.number('Write a number.').int().min(1).optional() }),
        answers: { 200: { description: 'Deeds', schema: z.object({ items: z.array(deedSchema) }) } },
      },
      async ({ query }) => ({ status: 200, body: { items: await store.deeds(query.before ?? null, MAX_DEEDS) } }),
    ),
  ];
}

function tokenRoutes({ store }: AccessDeps): Endpoint[] {
  const calendar = z.object({ path: z.string() });
  const calendarPath = (key: string) => ({ path: `/api/v1/agenda.ics?key=${key}` });
  return [
    endpoint(
      {
        method: 'get',
        path: '/tokens',
        summary: 'Tokens that devices on a wire speak by',
        answers: { 200: { description: 'By device', schema: z.object({ items: z.array(deviceTokenSchema) }) } },
      },
      async () => ({ status: 200, body: { items: await store.deviceTokens() } }),
    ),
    endpoint(
      {
        method: 'post',
        path: '/tokens',
        summary: 'A token for one device; it is told this once',
        body: z.object({ device: code, label }),
        answers: { 201: { description: 'The token', schema: z.object({ id: z.string(), token: z.string() }) } },
      },
      async ({ body }) => ({
        status: 201,
        body: await store.addDeviceToken(body.device, body.label, actorNow()?.person ?? null),
      }),
    ),
    endpoint(
      {
        method: 'delete',
        path: '/tokens/{id}',
        summary: 'Take a token back',
        params: byId,
        answers: { 204: { description: 'Taken back' } },
      },
      async ({ params }) => {
        await store.endDeviceToken(params.id);
        return { status: 204 };
      },
    ),
    endpoint(
      {
        method: 'get',
        path: '/calendar',
        summary: 'The address that a calendar subscribes to; it holds a secret',
        answers: { 200: { description: 'The address', schema: calendar } },
      },
      async () => ({ status: 200, body: calendarPath(await store.calendarKey()) }),
    ),
    endpoint(
      {
        method: 'post',
        path: '/calendar/renew',
        summary: 'Another secret in the calendar’s address; the one before opens nothing any more',
        answers: { 200: { description: 'The address', schema: calendar } },
      },
      async () => ({ status: 200, body: calendarPath(await store.calendarKey(true)) }),
    ),
  ];
}

/** People, signed-in devices, pairing, tokens, and who did what. */
export const accessRoutes = (deps: AccessDeps): Endpoint[] => [
  ...sessionRoutes(deps),
  ...peopleRoutes(deps),
  ...tokenRoutes(deps),
];
