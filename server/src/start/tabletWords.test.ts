import { describe, expect, it } from 'vitest';
import { readConfig } from '../config';
import { tabletWords } from './tabletWords';

const configOf = (env: Record<string, string>, args: string[] = []) => readConfig(env, args, '/nowhere');

describe('how a tablet reaches the studio', () => {
  it('is told where only this computer does: what to start, and the address on the network', () => {
    const words = tabletWords(configOf({ PORT: '4310' }), ['127.0.0.1', '192.168.1.20']).join('\n');
    expect(words).toContain('HOST=0.0.0.0 npm start');
    expect(words).toContain('npm run people -- add');
    expect(words).toContain('https://192.168.1.20:4310');
  });
  it('is told without an address where there is no network', () => {
    expect(tabletWords(configOf({}), ['localhost']).join('\n')).toContain('this computer’s address');
  });
  it('is one line where it listens to the network already, and nothing for the demo', () => {
    expect(tabletWords(configOf({ HOST: '0.0.0.0' }), ['192.168.1.20'])).toEqual([
      'Tablets and phones on the same network open that address.',
    ]);
    expect(tabletWords(configOf({}, ['--demo']), [])).toEqual([]);
  });
});
