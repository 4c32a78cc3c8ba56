import { describe, expect, it } from 'vitest';
import { changedFields } from './changedFields';

describe('changedFields', () => {
  it.each([
    [{ a: 1 }, { a: 1 }, []],
    [{ a: 1 }, { a: 2 }, ['a']],
    [{ mix: { amountA: 1 } }, { mix: { amountA: 1, amountB: 3 } }, ['mix.amountB']],
    [
      { checks: [{ afterH: 1 }] },
      { checks: [{ afterH: 1 }, { afterH: 24, shore: 60 }] },
      ['checks[1].afterH', 'checks[1].shore'],
    ],
    [{ room: null }, {}, []],
    [{ room: { temperatureC: 20 } }, { room: null }, ['room.temperatureC']],
    [{ by: 'KO' }, { by: null }, ['by']],
  ])('%j to %j: %j', (before, after, changed) => expect(changedFields(before, after)).toEqual(changed));
});
