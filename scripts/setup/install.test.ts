import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { ownHeaders } from './install.mjs';

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
