import { spawnSync } from 'node:child_process';
import { X509Certificate, createHash } from 'node:crypto';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startApplication, type Application } from './application';
import { Bench, PATIENCE_MS } from './browser';

const ROOT = new URL('../..', import.meta.url).pathname;
const data = mkdtempSync(join(tmpdir(), 'warm-jar-access-'));
let application: Application;
let bench: Bench;
let pin = '';
/** The command on the studio's own computer; tells the PIN it made. */
function people(folder: string, ...args: string[]): string {
  const { stdout } = spawnSync('node', ['server/dist/people.js', ...args], {
    cwd: ROOT,
    env: { ...process.env, WARM_JAR_DATA: folder },
    encoding: 'utf8',
  });
  return stdout;
}
const pinIn = (said: string): string => /once: (\d{8})/.exec(said)![1]!;

beforeAll(async () => {
  pin = pinIn(people(data, 'add', 'KO', 'lead'));
  // A network of this machine alone, by plain HTTP: the browser of the tests has no authority of ours.
  application = await startApplication({ demo: false, data, env: { HOST: '0.0.0.0', WARM_JAR_TLS: 'off' } });
  bench = await Bench.open(application.address);
});
afterAll(async () => {
  await bench.close();
  await application.stop();
});

async function signIn(person: string, secret: string, at = bench): Promise<void> {
  await at.see('#secret');
  await at.type('#person', person);
  await at.type('#secret', secret);
  await at.tapWords('Come in');
}

describe('a studio on a network', () => {
  it('asks who it is before anything is shown, and says what is wrong', async () => {
    await bench.go('/batches?search=x');
    await signIn('KO', 'not the PIN');
    await bench.read('Initials or PIN are wrong');
    await signIn('KO', pin);
    await bench.see('[data-test="who"]');
    await expect.poll(() => bench.driver.getCurrentUrl()).toContain('/batches?search=x');
    await expect.poll(() => bench.text('[data-test="who"]')).toContain('KO');
    await bench.complaints();
  });
  it('a lead adds somebody, who signs in by a code from the screen, works, and is named', async () => {
    await bench.press('o');
    await bench.tapWords('Add somebody');
    await bench.type('#new-code', 'MT');
    await bench.tapWords('Add', 'form[aria-label="Add somebody"]');
    await bench.see('[data-person="MT"]');
    await bench.type('#pair-label', 'bench tablet');
    await bench.type('#pair-person', 'MT');
    await bench.tapWords('Show a code');
    await expect.poll(() => bench.text('[data-test="pairing-code"]')).toMatch(/^[2-9A-Z]{5} [2-9A-Z]{5}$/);
    const code = await bench.text('[data-test="pairing-code"]');

    const tablet = await Bench.open(bench.address);
    try {
      await tablet.go('/');
      await tablet.see('#secret');
      await tablet.go(`/pair#${code.replace(' ', '')}`);
      await tablet.tapWords('Sign this device in');
      await tablet.see('[data-test="who"]');
      await expect.poll(() => tablet.text('[data-test="who"]')).toContain('MT');
      // A technician has no way to the backup, neither drawn nor by its address.
      expect(
        await tablet.driver.executeScript(
          'return [...document.querySelectorAll(".tools a")].map((a) => a.textContent.trim())',
        ),
      ).not.toContain('Backup');
      expect(await tablet.driver.executeScript('return fetch("/api/v1/backup.zip").then((r) => r.status)')).toBe(403);

      await bench.go('/people');
      await bench.see('[data-test="deeds"]');
      await expect.poll(() => bench.text('[data-test="deeds"]')).toContain('Add somebody');
      await expect.poll(() => bench.text('[data-test="devices"]')).toContain('bench tablet');
      await bench.tapWords('Sign out', '[data-test="devices"]');
      await bench.driver.wait(
        async () => !(await bench.text('[data-test="devices"]')).includes('bench tablet'),
        PATIENCE_MS,
      );
      await tablet.press('l');
      await tablet.see('#secret');
    } finally {
      await tablet.close();
    }
  });
  it('says what is missing where the address is not secure, and goes when signed out', async () => {
    await bench.go('/people');
    await expect.poll(() => bench.text('[data-test="missing"]')).toContain('no camera');
    await bench.tapWords('Sign out', '.spread');
    await bench.see('#secret');
    await bench.go('/backup');
    await bench.see('#secret');
  });
});

describe('a studio network with a certificate of its own', () => {
  const folder = mkdtempSync(join(tmpdir(), 'warm-jar-own-tls-'));
  it('is a secure address to a device that trusts it: the camera is there, and the cookie travels by TLS alone', async () => {
    const own = pinIn(people(folder, 'add', 'KO', 'lead'));
    const studio = await startApplication({
      demo: false,
      data: folder,
      env: { HOST: '0.0.0.0', WARM_JAR_TRUST_PORT: '0' },
    });
    expect(studio.address).toMatch(/^https:/);
    // The browser trusts this one certificate, as a device does that installed the studio's authority.
    const { publicKey } = new X509Certificate(readFileSync(join(folder, 'tls', 'server.pem')));
    const key = createHash('sha256').update(publicKey.export({ type: 'spki', format: 'der' }));
    const tablet = await Bench.open(studio.address, undefined, [
      `--ignore-certificate-errors-spki-list=${key.digest('base64')}`,
    ]);
    try {
      await tablet.go('/people');
      await signIn('KO', own, tablet);
      await tablet.see('#secure');
      const [secure, camera, readable] = await tablet.driver.executeScript<[boolean, boolean, string]>(
        'return [window.isSecureContext, Boolean(navigator.mediaDevices), document.cookie]',
      );
      expect([secure, camera, readable]).toEqual([true, true, '']);
      const [cookie] = await tablet.driver.manage().getCookies();
      expect(cookie).toMatchObject({ httpOnly: true, secure: true, sameSite: 'Strict' });
      await expect.poll(() => tablet.text('#secure')).toBe('A secure address');
      await expect.poll(() => tablet.text('[data-test="fingerprint"]')).toMatch(/^([0-9A-F]{2} ){31}[0-9A-F]{2}$/);
      expect(await tablet.complaints()).toEqual([]);
    } finally {
      await tablet.close();
      await studio.stop();
    }
  });
});
