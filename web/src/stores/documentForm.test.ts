import { describe, expect, it } from 'vitest';
import { withoutEmpty } from './documentForm';

describe('withoutEmpty', () => {
  it('leaves out what was emptied, and sections with nothing left in them', () => {
    expect(withoutEmpty({ a: 1, b: null, c: { d: null, e: { f: undefined } }, g: { h: 0, i: null } })).toEqual({
      a: 1,
      g: { h: 0 },
    });
  });
  it('keeps lists as they are, an empty one too, and the ratio that every card must have', () => {
    expect(withoutEmpty({ hazards: [], use: ['casting'], ratio: { byWeight: null } })).toEqual({
      hazards: [],
      use: ['casting'],
      ratio: {},
    });
  });
  it('keeps false and nought', () =>
    expect(withoutEmpty({ waxed: false, restMin: 0 })).toEqual({ waxed: false, restMin: 0 }));
});
