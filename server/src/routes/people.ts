import { ROLES, deedSchema, personSchema } from '@warm-jar/core';
import { z } from 'zod';
import { actorNow } from '../access/actor';
import { endpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';
import { code, secret, type AccessDeps } from './accessDeps';

const role = z.enum(ROLES);
const name = z.string().max(200).nullable();
const byCode = z.object({ code: z.string().min(1).max(200) });
/** Deeds told at once. */
const MAX_DEEDS = 100;

const listPeople = ({ store }: AccessDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/people',
      summary: 'Who works here',
      answers: { 200: { description: 'By initials', schema: z.object({ items: z.array(personSchema) }) } },
    },
    async () => ({ status: 200, body: { items: await store.people() } }),
  );

const addPerson = ({ store }: AccessDeps): Endpoint =>
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
  );

const changePerson = ({ store }: AccessDeps): Endpoint =>
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
  );

const setSecret = ({ store, options }: AccessDeps): Endpoint =>
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
  );

const listDeeds = ({ store }: AccessDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/deeds',
      summary: 'Who did what, latest first',
      query: z.object({ before: z.coerce.number('Write a number.').int().min(1).optional() }),
      answers: { 200: { description: 'Deeds', schema: z.object({ items: z.array(deedSchema) }) } },
    },
    async ({ query }) => ({ status: 200, body: { items: await store.deeds(query.before ?? null, MAX_DEEDS) } }),
  );

/** Who works here, their secrets, and who did what. */
export const peopleRoutes = (deps: AccessDeps): Endpoint[] =>
  [listPeople, addPerson, changePerson, setSecret, listDeeds].map((make) => make(deps));
