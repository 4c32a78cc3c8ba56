import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { isInstalledByHand, ownHeaders } from './install.mjs';

let prefix: string;
beforeEach(() => {
  prefix = mkdtempSync(join(tmpdir(), 'warm-jar-node-'));
  mkdirSync(join(prefix, 'bin'));
  writeFileSync(join(prefix, 'bin/node'), '');
});
afterEach(() => {
  rmSync(prefix, { recursive: true });
});
const headersOf = (major: number, minor: number, patch: number) => {
  mkdirSync(join(prefix, 'include/node'), { recursive: true });
  const lines = [
    `#define NODE_MAJOR_VERSION ${major}`,
    `#define NODE_MINOR_VERSION ${minor}`,
    `#define NODE_PATCH_VERSION ${patch}`,
  ];
  writeFileSync(join(prefix, 'include/node/node_version.h'), lines.join('\n'));
};
const node = () => join(prefix, 'bin/node');

describe("Node's own headers", () => {
  it('are taken where they lie beside it, of the same version', () => {
    headersOf(20, 19, 3);
    expect(ownHeaders(node(), '20.19.3', {})).toBe(prefix);
  });
  it('are not taken where there are none, where they are of another version, or where somebody names others', () => {
    expect(ownHeaders(node(), '20.19.3', {})).toBeNull();
    headersOf(20, 18, 3);
    expect(ownHeaders(node(), '20.19.3', {})).toBeNull();
    headersOf(20, 19, 3);
    expect(ownHeaders(node(), '20.19.3', { npm_config_nodedir: prefix })).toBeNull();
  });
});

describe('packages installed by hand', () => {
  const write = (path: string, value: unknown) => {
    mkdirSync(join(prefix, path, '..'), { recursive: true });
    writeFileSync(join(prefix, path), typeof value === 'string' ? value : JSON.stringify(value));
  };
  const lock = (version: string) => ({
    packages: {
      '': { name: 'studio' },
      core: { version: '0.1.0' },
      'node_modules/@studio/core': { resolved: 'core', link: true },
      'node_modules/zod': { version },
      'node_modules/of-another-machine': { version: '1.0.0', optional: true },
    },
  });
  const driver = 'node_modules/sqlite3/build/Release/node_sqlite3.node';

  it('are taken as they are, where they are what is asked for', () => {
    write('package-lock.json', lock('4.6.7'));
    write('node_modules/.package-lock.json', { packages: { 'node_modules/zod': { version: '4.6.7' } } });
    write(driver, '');
    expect(isInstalledByHand(prefix)).toBe(true);
  });
  it('are installed anew where one is of another version, or missing, or the driver was not compiled', () => {
    write('package-lock.json', lock('4.6.7'));
    expect(isInstalledByHand(prefix)).toBe(false);
    write('node_modules/.package-lock.json', { packages: { 'node_modules/zod': { version: '4.6.7' } } });
    expect(isInstalledByHand(prefix)).toBe(false);
    write(driver, '');
    write('node_modules/.package-lock.json', { packages: { 'node_modules/zod': { version: '4.6.6' } } });
    expect(isInstalledByHand(prefix)).toBe(false);
    write('node_modules/.package-lock.json', { packages: {} });
    expect(isInstalledByHand(prefix)).toBe(false);
  });
});
