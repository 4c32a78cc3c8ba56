import { describe, expect, it } from 'vitest';
import { batchFromRow } from './batchTable';
import { readYesNo } from './yesNo';

describe('yes or no', () => {
  it.each([
    ['TRUE', true],
    ['Yes', true],
    ['y', true],
    ['x', true],
    ['X', true],
    [' 1 ', true],
    ['✓', true],
    ['FALSE', false],
    ['No', false],
    ['n', false],
    ['0', false],
    ['maybe', null],
    ['-', null],
    ['', null],
  ])('%j is %j', (text, expected) => expect(readYesNo(text)).toBe(expected));
  it('is read so in the columns that ask for it, and only there', () => {
    const row = { 'product.slug': 'house-tide', 'mix.shaken': 'Yes', 'pour.tilted': 'x', note: 'x', by: 'No' };
    expect(batchFromRow(row)).toMatchObject({ mix: { shaken: true }, pour: { tilted: true }, note: 'x', by: 'No' });
  });
  it('stays as it was written where it is neither, so that the row is refused with its field', () =>
    expect(batchFromRow({ 'mix.shaken': 'perhaps' })).toMatchObject({ mix: { shaken: 'perhaps' } }));
});
