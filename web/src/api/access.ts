import {
  deedSchema,
  deviceTokenSchema,
  pairingSchema,
  personSchema,
  sessionSchema,
  whoSchema,
  type Deed,
  type DeviceToken,
  type Pairing,
  type Person,
  type Role,
  type SignedIn,
  type Who,
} from '@warm-jar/core';
import { z } from 'zod';
import { read, send, withJson } from './http';

const pathSchema = z.object({ path: z.string() });

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
  tokens: (): Promise<DeviceToken[]> => items(deviceTokenSchema, '/tokens'),
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
