import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { noticesText, shippedPackages } from './notices.mjs';

const lock = JSON.parse(readFileSync(new URL('../../package-lock.json', import.meta.url), 'utf8')) as unknown;

describe('the notices of others', () => {
  it('name what ships, the fonts among it, and leave out what is only worked with', () => {
    const names = shippedPackages(lock).map((p) => p.name);
    expect(names).toEqual(
      expect.arrayContaining(['vue', 'express', 'zod', '@fontsource-variable/atkinson-hyperlegible-next', 'echarts']),
    );
    expect(names).not.toContain('vitest');
    expect(names).not.toContain('eslint');
  });
  it('know a free licence of each', () => {
    const free =
      /MIT|ISC|BSD|Apache-2\.0|OFL-1\.1|0BSD|BlueOak|Zlib|CC0|Unlicense|Python-2\.0|LGPL-3\.0-or-later|MPL-2\.0/;
    expect(shippedPackages(lock).filter((p) => !free.test(p.licence))).toEqual([]);
  });
  it('hold the words of each licence, and its name where it ships none', () => {
    const packages = [
      { path: 'node_modules/a', name: 'a', version: '1.0.0', licence: 'MIT' },
      { path: 'node_modules/b', name: 'b', version: '2.0.0', licence: 'ISC' },
    ];
    const text = noticesText(packages, (path) => (path.endsWith('a') ? 'Permission is hereby granted' : null));
    expect(text).toContain('a 1.0.0 (MIT)\n\nPermission is hereby granted');
    expect(text).toContain('b 2.0.0 (ISC)\n\nLicence: ISC.');
  });
});
