import { describe, expect, it } from 'vitest';
import { carryOver, valueAt, withValue } from './draftPath';

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
    expect(withValue({ additives: [{ massG: 1 }, { massG: 2 }] }, 'additives[1].massG', 5)).toEqual({
      additives: [{ massG: 1 }, { massG: 5 }],
    });
  });
});

describe('carryOver', () => {
  const before = { moisturePct: 6, note: 'old', pairs: [{ outcome: 'good' }], drops: { counted: 1, massG: 2 } };
  it("keeps both people's changes where they touched different fields", () => {
    const mine = { ...before, moisturePct: 5 };
    const theirs = { ...before, note: 'weighed', drops: { counted: 9, massG: 2 } };
    expect(carryOver(before, mine, theirs)).toEqual({ ...theirs, moisturePct: 5 });
  });
  it('lets mine stand where both touched the same field, and carries a list whole', () => {
    expect(carryOver(before, { ...before, note: 'mine' }, { ...before, note: 'theirs' })['note']).toBe('mine');
    expect(carryOver(before, { ...before, pairs: [] }, { ...before, note: 'x' })).toEqual({
      ...before,
      note: 'x',
      pairs: [],
    });
  });
  it('carries what I emptied, and nothing where I changed nothing', () => {
    expect(carryOver(before, { ...before, note: null }, before)['note']).toBeNull();
    expect(carryOver(before, before, { ...before, note: 'theirs' })).toEqual({ ...before, note: 'theirs' });
  });
});
