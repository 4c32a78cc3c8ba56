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
  it("starts the studio's clock where it is told, by the wall or with an offset", () => {
    expect(readConfig({}, []).now).toBeUndefined();
    expect(readConfig({ WARM_JAR_NOW: '2027-03-18T14:30' }, []).now).toEqual(new Date(2027, 2, 18, 14, 30));
    expect(readConfig({ WARM_JAR_NOW: '2027-03-18T14:30:00+05:00' }, []).now?.toISOString()).toBe(
      '2027-03-18T09:30:00.000Z',
    );
    expect(() => readConfig({ WARM_JAR_NOW: 'next spring' }, [])).toThrow(/WARM_JAR_NOW is a day and time/);
  });
  it.each(['eight', '70000', '-1'])('names a PORT of %s as the wrong setting', (PORT) => {
    expect(() => readConfig({ PORT }, [])).toThrow(/PORT/);
  });
});
