import { z } from 'zod';
import { read, send, withJson } from './http';

export const ROLES = ['technician', 'lead', 'board'] as const;
const role = z.enum(ROLES);
const name = z.string().nullable();

const whoSchema = z.object({
  mode: z.enum(['local', 'open', 'people']),
  person: z.string().nullable(),
  role: role.nullable(),
  verified: z.boolean(),
  secure: z.boolean(),
  trust: z.object({ address: z.string(), fingerprint: z.string() }).nullable(),
  people: z.array(z.object({ code: z.string(), name })),
});
const personSchema = z.object({
  code: z.string(),
  version: z.number(),
  name,
  role,
  active: z.boolean(),
  hasSecret: z.boolean(),
});
const sessionSchema = z.object({
  id: z.string(),
  person: z.string(),
  label: z.string(),
  how: z.enum(['secret', 'pairing']),
  address: z.string(),
  createdAt: z.string(),
  seenAt: z.string(),
  own: z.boolean(),
});
const tokenSchema = z.object({
  id: z.string(),
  device: z.string(),
  label: z.string(),
  createdAt: z.string(),
  createdBy: z.string().nullable(),
  usedAt: z.string().nullable(),
});
const deedSchema = z.object({
  id: z.number(),
  at: z.string(),
  by: z.string().nullable(),
  verified: z.boolean(),
  what: z.string(),
  place: z.string(),
  address: z.string().nullable(),
});
const pairingSchema = z.object({ code: z.string(), until: z.string(), address: name });
const pathSchema = z.object({ path: z.string() });

export type Role = z.infer<typeof role>;
export type Who = z.infer<typeof whoSchema>;
export type Person = z.infer<typeof personSchema>;
export type SignedIn = z.infer<typeof sessionSchema>;
export type DeviceToken = z.infer<typeof tokenSchema>;
export type Deed = z.infer<typeof deedSchema>;
export type Pairing = z.infer<typeof pairingSchema>;

const items = async <T>(schema: z.ZodType<T>, path: string): Promise<T[]> =>
  (await read(z.object({ items: z.array(schema) }), await send(path))).items;
const at = encodeURIComponent;

/** People, their devices, and who did what. */
export const accessApi = {
  who: async (): Promise<Who> => read(whoSchema, await send('/session')),
  signIn: async (person: string, secret: string): Promise<void> => {
    await send('/session', withJson('POST', { person, secret }));
  },
  signOut: async (): Promise<void> => {
    await send('/session', { method: 'DELETE' });
  },
  people: (): Promise<Person[]> => items(personSchema, '/people'),
  addPerson: async (person: {
    code: string;
    name: string | null;
    role: Role;
    secret: string | null;
  }): Promise<void> => {
    await send('/people', withJson('POST', person));
  },
  changePerson: async ({ code, version, name: called, role: as, active }: Person): Promise<void> => {
    await send(`/people/${at(code)}`, withJson('PUT', { name: called, role: as, active }, version));
  },
  setSecret: async (code: string, secret: string, before?: string): Promise<void> => {
    await send(`/people/${at(code)}/secret`, withJson('POST', { secret, ...(before ? { before } : {}) }));
  },
  devices: (): Promise<SignedIn[]> => items(sessionSchema, '/sessions'),
  signOutDevice: async (id: string): Promise<void> => {
    await send(`/sessions/${id}`, { method: 'DELETE' });
  },
  pair: async (label: string, person?: string): Promise<Pairing> =>
    read(pairingSchema, await send('/pairings', withJson('POST', { label, ...(person ? { person } : {}) }))),
  usePairing: async (code: string): Promise<void> => {
    await send('/pairings/use', withJson('POST', { code }));
  },
  tokens: (): Promise<DeviceToken[]> => items(tokenSchema, '/tokens'),
  addToken: async (device: string, label: string): Promise<string> =>
    (await read(z.object({ token: z.string() }), await send('/tokens', withJson('POST', { device, label })))).token,
  endToken: async (id: string): Promise<void> => {
    await send(`/tokens/${id}`, { method: 'DELETE' });
  },
  calendar: async (): Promise<string> => (await read(pathSchema, await send('/calendar'))).path,
  renewCalendar: async (): Promise<string> =>
    (await read(pathSchema, await send('/calendar/renew', withJson('POST', {})))).path,
  deeds: (before?: number): Promise<Deed[]> => items(deedSchema, `/deeds${before ? `?before=${before}` : ''}`),
};
