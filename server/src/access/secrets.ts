import { createHash, randomBytes, randomInt, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto';

/** Cost of one guess, about 60 ms and 32 MB. Source: RFC 7914, and the cost advised for interactive sign-in. */
const COST: ScryptOptions = { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 2 ** 20 };
const [SALT_BYTES, KEY_BYTES, TOKEN_BYTES] = [16, 32, 32];

const derive = (secret: string, salt: Buffer, options: ScryptOptions): Promise<Buffer> =>
  new Promise((done, fail) => {
    scrypt(secret.normalize('NFKC'), salt, KEY_BYTES, options, (error, key) => {
      if (error) fail(error);
      else done(key);
    });
  });

/** What is kept of a PIN or passphrase: `scrypt$N$r$p$salt$key`. */
export async function hashSecret(secret: string): Promise<string> {
  const salt = randomBytes(SALT_BYTES);
  const key = await derive(secret, salt, COST);
  return ['scrypt', COST.N, COST.r, COST.p, salt.toString('base64url'), key.toString('base64url')].join('$');
}

/** Stands in for the secret of somebody who is not there, so that asking takes as long. */
const NOBODY = `scrypt$${COST.N}$${COST.r}$${COST.p}$${'A'.repeat(22)}$${'A'.repeat(43)}`;

/** Whether a secret is the one that was kept. Takes as long where nothing was kept. */
export async function isSecret(secret: string, kept: string | null): Promise<boolean> {
  const [name, n, r, p, salt, key] = (kept ?? NOBODY).split('$');
  if (name !== 'scrypt' || !salt || !key) return false;
  const expected = Buffer.from(key, 'base64url');
  const found = await derive(secret, Buffer.from(salt, 'base64url'), {
    N: Number(n),
    r: Number(r),
    p: Number(p),
    maxmem: COST.maxmem!,
  });
  return expected.length === found.length && timingSafeEqual(expected, found) && kept !== null;
}

/** Shortest PIN of figures alone, and shortest passphrase. */
const [SHORTEST_PIN, SHORTEST_PHRASE, LONGEST] = [6, 8, 200];
const EASY = /^(\d)\1+$|^0?123456789?0?$|^9?876543210?$/;

/** What is wrong with a PIN or passphrase that somebody chose; null where nothing is. */
export function secretFault(secret: string): string | null {
  if (secret.length > LONGEST) return `Keep it under ${LONGEST} characters.`;
  if (/^\d+$/.test(secret)) {
    if (secret.length < SHORTEST_PIN) return `A PIN needs ${SHORTEST_PIN} figures or more.`;
    return EASY.test(secret) || '01234567890123456789'.includes(secret) ? 'That PIN is the first one guessed.' : null;
  }
  return secret.length < SHORTEST_PHRASE ? `A passphrase needs ${SHORTEST_PHRASE} characters or more.` : null;
}

/** A PIN that nobody chose. */
export const randomPin = (): string => String(randomInt(10_000_000, 100_000_000));
/** What only its holder knows, 256 bits. */
export const newToken = (): string => randomBytes(TOKEN_BYTES).toString('base64url');
/** What is kept of a token. It is long and random, so one round is enough. */
export const tokenId = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Letters and figures that are not taken for one another, for a code that is read off a screen. */
const ALPHABET = '23456789ABCDEFGHJKMNPQRSTUVWXYZ';
const PAIRING_LENGTH = 10;
export const pairingCode = (): string =>
  Array.from({ length: PAIRING_LENGTH }, () => ALPHABET[randomInt(ALPHABET.length)]).join('');
