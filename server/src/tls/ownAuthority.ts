import { X509Certificate, createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { generate } from 'selfsigned';

/** A certificate with its key, PEM. */
export interface Certificate {
  readonly cert: string;
  readonly key: string;
}
/** What a studio serves by: its own certificate, and that of the authority on this machine that signed it. */
export interface OwnTls extends Certificate {
  readonly authority: string;
}

/**
 * How long the authority lives, and the server's own certificate; browsers take no more than 398 days of the latter.
 */
const [AUTHORITY_DAYS, SERVER_DAYS, RENEW_DAYS] = [3_650, 397, 30];
const DAY_MS = 86_400_000;
/** Readable for the server's own user alone. */
const SECRET_MODE = 0o600;
const FOLDER = 'tls';

const inDays = (now: Date, days: number) => new Date(now.getTime() + days * DAY_MS);
const usual = { keyType: 'ec', curve: 'P-256', algorithm: 'sha256' } as const;

async function makeAuthority(now: Date): Promise<Certificate> {
  const made = await generate([{ name: 'commonName', value: `Warm Jar of this studio, ${now.getUTCFullYear()}` }], {
    ...usual,
    notBeforeDate: inDays(now, -1),
    notAfterDate: inDays(now, AUTHORITY_DAYS),
    extensions: [
      { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
      { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    ],
  });
  return { cert: made.cert, key: made.private };
}

async function makeServer(authority: Certificate, hosts: readonly string[], now: Date): Promise<Certificate> {
  const made = await generate([{ name: 'commonName', value: hosts[0] ?? 'localhost' }], {
    ...usual,
    notBeforeDate: inDays(now, -1),
    notAfterDate: inDays(now, SERVER_DAYS),
    ca: { key: authority.key, cert: authority.cert },
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: hosts.map((host) =>
          isIP(host) ? { type: 7 as const, ip: host } : { type: 2 as const, value: host },
        ),
      },
    ],
  });
  return { cert: made.cert, key: made.private };
}

function readPair(folder: string, name: string): Certificate | null {
  const [cert, key] = [join(folder, `${name}.pem`), join(folder, `${name}.key`)];
  return existsSync(cert) && existsSync(key)
    ? { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') }
    : null;
}

/** Whole or not at all, the key first. */
function keepPair(folder: string, name: string, { cert, key }: Certificate): void {
  for (const [file, text] of [
    [`${name}.key`, key],
    [`${name}.pem`, cert],
  ] as const) {
    writeFileSync(join(folder, `${file}.part`), text, { mode: SECRET_MODE });
    renameSync(join(folder, `${file}.part`), join(folder, file));
  }
}

/** Whether a certificate is good for a month more, of this authority, and names every host. */
function isGood(pair: Certificate, authority: Certificate, hosts: readonly string[], now: Date): boolean {
  const cert = new X509Certificate(pair.cert);
  return (
    Date.parse(cert.validTo) > inDays(now, RENEW_DAYS).getTime() &&
    cert.verify(new X509Certificate(authority.cert).publicKey) &&
    hosts.every((host) => (isIP(host) ? cert.checkIP(host) : cert.checkHost(host)) !== undefined)
  );
}

/**
 * The studio's own certificate for these names and addresses, from an authority that is made once and lives in the data
 * folder. It is made anew before it runs out, and when the machine has another address.
 */
export async function ownTls(dataFolder: string, hosts: readonly string[], now: Date): Promise<OwnTls> {
  const folder = join(dataFolder, FOLDER);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  let authority = readPair(folder, 'authority');
  if (!authority || Date.parse(new X509Certificate(authority.cert).validTo) < inDays(now, SERVER_DAYS).getTime()) {
    authority = await makeAuthority(now);
    keepPair(folder, 'authority', authority);
  }
  let server = readPair(folder, 'server');
  if (!server || !isGood(server, authority, hosts, now)) {
    server = await makeServer(authority, hosts, now);
    keepPair(folder, 'server', server);
  }
  return { ...server, authority: authority.cert };
}

/** What a person compares before they trust a certificate: its SHA-256, in pairs. */
export const fingerprintOf = (pem: string): string =>
  createHash('sha256')
    .update(new X509Certificate(pem).raw)
    .digest('hex')
    .toUpperCase()
    .replaceAll(/(..)(?=.)/g, '$1 ');
