import { describe, expect, it } from 'vitest';
import { scanned } from './scanned';

describe('a scanned code', () => {
  it.each([
    ['http://127.0.0.1:4310/lots/A-77', '/lots/A-77'],
    ['https://jar.studio.test/at/B-0412?casting=k1', '/at/B-0412?casting=k1'],
    ['http://old-name:4310/moulds/M%2012', '/moulds/M%2012'],
    ['http://127.0.0.1:4310/look-round/at/B-0399', '/at/B-0399'],
  ])('%s leads to %s, whatever the computer is called now', (text, path) => {
    expect(scanned(text)).toEqual({ path });
  });
  it.each([
    '04012345678901',
    'https://example.test/',
    'javascript:alert(1)//lots/A-77',
    'https://example.test/lots/A/../../backup',
    'LOT 77-A',
    'http://127.0.0.1:4310/backup',
  ])('%s is only words', (text) => {
    expect(scanned(text)).toEqual({ words: text });
  });
});
