import { describe, expect, it } from 'vitest';
import { valueAt, withValue } from './draftPath';

describe('draft paths', () => {
  it.each([
    [{ room: { temperatureC: 20 } }, 'room.temperatureC', 20],
    [{ additives: [{ massG: 1 }, { massG: 2 }] }, 'additives[1].massG', 2],
    [{ room: null }, 'room.temperatureC', undefined],
    [{}, 'mix.stirMin', undefined],
  ])('reads %j at %s', (document, path, value) => expect(valueAt(document, path)).toBe(value));
  it('sets without touching the original, making sections on the way', () => {
    const before = { room: null, note: 'x' };
    expect(withValue(before, 'room.temperatureC', 21)).toEqual({ room: { temperatureC: 21 }, note: 'x' });
    expect(before.room).toBeNull();
  });
  it('sets within lists', () => {
    expect(withValue({ additives: [{ massG: 1 }, { massG: 2 }] }, 'additives[1].massG', 5)).toEqual({ additives: [{ massG: 1 }, { massG: 5 }] });
  });
});
