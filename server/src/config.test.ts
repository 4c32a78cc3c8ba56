import { describe, expect, it } from 'vitest';
import { readConfig } from './config';

describe('readConfig', () => {
  it('serves on the loopback at 4310 unless told otherwise', () => {
    expect(readConfig({}, [])).toMatchObject({ port: 4310, host: '127.0.0.1', demo: false });
    expect(readConfig({ PORT: '8080', HOST: '0.0.0.0' }, ['--demo'])).toMatchObject({
      port: 8080,
      host: '0.0.0.0',
      demo: true,
    });
  });
  it('keeps the demo and the studio in different files', () => {
    expect(readConfig({}, []).file).not.toBe(readConfig({}, ['--demo']).file);
  });
  it.each(['eight', '70000', '-1'])('names a PORT of %s as the wrong setting', (PORT) => {
    expect(() => readConfig({ PORT }, [])).toThrow(/PORT/);
  });
});
