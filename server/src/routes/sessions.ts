import { pairingSchema, sessionSchema, whoSchema, type Who } from '@warm-jar/core';
import { z } from 'zod';
import type { AccessStore } from '../access/accessStore';
import { actorNow, type Actor } from '../access/actor';
import { SESSION_COOKIE, type AccessOptions } from '../access/gate';
import { endpoint, type Answer, type Client, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';
import { clockMoment } from '../live/studioClock';
import { byId, code, label, secret, type AccessDeps } from './accessDeps';

/** How long a browser keeps its cookie, s; the server forgets a device it has not seen for as long. */
const COOKIE_S = 90 * 86_400;

/** A device as its browser describes itself, in a few words. */
function deviceWords(agent: string): string {
  if (/mobile/i.test(agent)) return 'a phone';
  return /tablet|pad/i.test(agent) ? 'a tablet' : 'a computer';
}

const cookie = (value: string, seconds: number, { secure }: Client) =>
  `${SESSION_COOKIE}=${value}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${seconds}${secure ? '; Secure' : ''}`;

/** Whose devices somebody may see and sign out: a lead everybody's, others their own. */
const reach = (actor: Actor | undefined) => (actor?.role === 'lead' ? null : (actor?.person ?? ''));

async function who(
  { store, options, clock, studio }: Pick<AccessDeps, 'store' | 'options' | 'clock' | 'studio'>,
  actor: Actor | undefined,
  { secure }: Client,
): Promise<Who> {
  const active = options.mode === 'people' ? [] : (await store.people()).filter((p) => p.active);
  return {
    mode: options.mode,
    person: actor?.person ?? null,
    role: actor?.role ?? null,
    verified: actor?.verified ?? false,
    secure: secure || options.mode === 'local',
    trust: options.trust ?? null,
    studio,
    clock: clockMoment(clock),
    people: active.map((p) => ({ code: p.code, name: p.name })),
  };
}

async function begin(
  store: AccessStore,
  person: string,
  words: string,
  how: 'secret' | 'pairing',
  client: Client,
): Promise<Answer> {
  const token = await store.begin(person, { label: words, how, address: client.address });
  return { status: 204, headers: { 'Set-Cookie': cookie(token, COOKIE_S, client) } };
}

/** @throws Problem 409 where nobody signs in */
function requirePeople({ mode }: AccessOptions): void {
  if (mode !== 'people')
    throw new Problem(409, 'no-sign-in', 'Nobody signs in here: this studio is not on a network, or open to all.');
}

const readSession = (deps: AccessDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/session',
      summary: 'Who this device stands for, and how people come in here',
      answers: { 200: { description: 'Who', schema: whoSchema } },
    },
    async ({ client }) => ({ status: 200, body: await who(deps, actorNow(), client) }),
  );

const signIn = ({ store, options }: AccessDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/session',
      summary: 'Sign in by initials and a PIN or passphrase; the answer sets a cookie',
      body: z.object({ person: code, secret }),
      answers: { 204: { description: 'Signed in' } },
    },
    async ({ body, client }) => {
      requirePeople(options);
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
      return begin(store, person, deviceWords(client.agent), 'secret', client);
    },
  );

const signOut = ({ store }: AccessDeps): Endpoint =>
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
  );

const listSessions = ({ store }: AccessDeps): Endpoint =>
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
  );

const endSession = ({ store }: AccessDeps): Endpoint =>
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
  );

const makePairing = ({ store, options, pairings }: AccessDeps): Endpoint =>
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
      requirePeople(options);
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
  );

const usePairing = ({ store, options, pairings }: AccessDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/pairings/use',
      summary: 'Sign this device in by a code from another screen; the answer sets a cookie',
      body: z.object({ code: z.string().min(1, 'Write the code.').max(40) }),
      answers: { 204: { description: 'Signed in' } },
    },
    async ({ body, client }) => {
      requirePeople(options);
      const found = pairings.use(body.code);
      if (!found)
        throw new Problem(401, 'wrong', 'That code is spent, too old, or mistyped. Have a new one shown.', [
          { path: 'code', message: 'Not a code that waits.' },
        ]);
      return begin(store, found.person, found.label, 'pairing', client);
    },
  );

/** Signing in and out, the devices that are signed in, and pairing. */
export const sessionRoutes = (deps: AccessDeps): Endpoint[] =>
  [readSession, signIn, signOut, listSessions, endSession, makePairing, usePairing].map((make) => make(deps));
