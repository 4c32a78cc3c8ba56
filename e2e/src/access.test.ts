import { spawnSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startApplication, type Application } from './application';
import { Bench } from './browser';

const ROOT = new URL('../..', import.meta.url).pathname;
const data = mkdtempSync(join(tmpdir(), 'warm-jar-access-'));
let application: Application;
let bench: Bench;
let pin = '';
/** The command on the studio's own computer; tells the PIN it made. */
const people = (...args: string[]): string => {
  const { stdout } = spawnSync('node', ['server/dist/people.js', ...args], {
    cwd: ROOT,
    env: { ...process.env, WARM_JAR_DATA: data },
    encoding: 'utf8',
  });
  return stdout;
};

beforeAll(async () => {
  pin = /once: (\d{8})/.exec(people('add', 'KO', 'lead'))![1]!;
  // A network of this machine alone, by plain HTTP: the browser of the tests has no authority of ours.
  application = await startApplication({ demo: false, data, env: { HOST: '0.0.0.0', WARM_JAR_TLS: 'off' } });
  bench = await Bench.open(application.address);
});
afterAll(async () => {
  await bench.close();
  await application.stop();
});

async function signIn(person: string, secret: string): Promise<void> {
  await bench.see('#secret');
  await bench.type('#person', person);
  await bench.type('#secret', secret);
  await bench.tapWords('Come in');
}

describe('a studio on a network', () => {
  it('asks who it is before anything is shown, and says what is wrong', async () => {
    await bench.go('/batches?search=x');
    await signIn('KO', 'not the PIN');
    await bench.read('Initials or PIN are wrong');
    await signIn('KO', pin);
    await bench.see('[data-test="who"]');
    expect(await bench.driver.getCurrentUrl()).toContain('/batches?search=x');
    expect(await bench.text('[data-test="who"]')).toContain('KO');
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
    const code = await bench.text('[data-test="pairing-code"]');
    expect(code).toMatch(/^[2-9A-Z]{5} [2-9A-Z]{5}$/);

    const tablet = await Bench.open(bench.address);
    try {
      await tablet.go('/');
      await tablet.see('#secret');
      await tablet.go(`/pair#${code.replace(' ', '')}`);
      await tablet.tapWords('Sign this device in');
      await tablet.see('[data-test="who"]');
      expect(await tablet.text('[data-test="who"]')).toContain('MT');
      // A technician has no way to the backup, neither drawn nor by its address.
      expect(
        await tablet.driver.executeScript(
          'return [...document.querySelectorAll(".tools a")].map((a) => a.textContent.trim())',
        ),
      ).not.toContain('Backup');
      expect(await tablet.driver.executeScript('return fetch("/api/v1/backup.zip").then((r) => r.status)')).toBe(403);

      await bench.go('/people');
      await bench.see('[data-test="deeds"]');
      const deeds = await bench.text('[data-test="deeds"]');
      expect(deeds).toContain('Add somebody');
      expect(await bench.text('[data-test="devices"]')).toContain('bench tablet');
      await bench.tapWords('Sign out', '[data-test="devices"]');
      await bench.driver.wait(
        async () => !(await bench.text('[data-test="devices"]')).includes('bench tablet'),
        10_000,
      );
      await tablet.press('l');
      await tablet.see('#secret');
    } finally {
      await tablet.close();
    }
  });
  it('says what is missing where the address is not secure, and goes when signed out', async () => {
    await bench.go('/people');
    expect(await bench.text('[data-test="missing"]')).toContain('no camera');
    await bench.tapWords('Sign out', '.spread');
    await bench.see('#secret');
    await bench.go('/backup');
    await bench.see('#secret');
  });
});
