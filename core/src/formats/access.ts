import { z } from 'zod';
import { clockEventSchema } from './devices';

/** What somebody may do: a lead also sees to cards, gear, people and backup; a board only shows. */
export const ROLES = ['technician', 'lead', 'board'] as const;
export type Role = (typeof ROLES)[number];
const role = z.enum(ROLES);
const name = z.string().nullable();

/** Who a device stands for, and how people come in here. */
export const whoSchema = z.object({
  mode: z.enum(['local', 'open', 'people']),
  /** Who signed in, or was chosen; null for nobody. */
  person: name,
  role: role.nullable(),
  verified: z.boolean(),
  /** Whether the page came by TLS, or from this computer itself. */
  secure: z.boolean(),
  /** Where the studio's own certificate is handed out, and what is compared of it; null where there is none. */
  trust: z.object({ address: z.string(), fingerprint: z.string() }).nullable(),
  /** What the studio is known by: pages keep what is its apart from what is another's. */
  studio: z.string(),
  /** The studio's clock, by which the page dates what is done. */
  clock: clockEventSchema,
  /** People to choose from where nobody signs in. */
  people: z.array(z.object({ code: z.string(), name })),
});
export type Who = z.infer<typeof whoSchema>;

export const personSchema = z.object({
  code: z.string(),
  version: z.number(),
  name,
  role,
  active: z.boolean(),
  /** Whether they can sign in. */
  hasSecret: z.boolean(),
});
export type Person = z.infer<typeof personSchema>;

/** A signed-in device. */
export const sessionSchema = z.object({
  id: z.string(),
  person: z.string(),
  label: z.string(),
  how: z.enum(['secret', 'pairing']),
  address: z.string(),
  createdAt: z.string(),
  seenAt: z.string(),
  /** The device that asks. */
  own: z.boolean(),
});
export type SignedIn = z.infer<typeof sessionSchema>;

/** What a device on a wire speaks by. */
export const deviceTokenSchema = z.object({
  id: z.string(),
  device: z.string(),
  label: z.string(),
  createdAt: z.string(),
  createdBy: name,
  usedAt: z.string().nullable(),
});
export type DeviceToken = z.infer<typeof deviceTokenSchema>;

/** Something that was done, by whom. */
export const deedSchema = z.object({
  id: z.number(),
  at: z.string(),
  by: name,
  /** Whether who is named had signed in; else they were only named. */
  verified: z.boolean(),
  what: z.string(),
  place: z.string(),
  address: z.string().nullable(),
});
export type Deed = z.infer<typeof deedSchema>;

/** A code that signs another device in, and where it is typed; null where the browser's own address does. */
export const pairingSchema = z.object({ code: z.string(), until: z.string(), address: name });
export type Pairing = z.infer<typeof pairingSchema>;
