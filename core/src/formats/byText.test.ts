import { describe, expect, it } from 'vitest';
import { byText } from './byText';

describe('the order of codes and names', () => {
  it('is sign for sign, the same whatever language a machine speaks', () => {
    expect(['B-10', 'B-2', 'b-1', 'A', 'ä', 'B-1', 'lotA.openedOn', 'lotA'].sort(byText)).toEqual([
      'A',
      'B-1',
      'B-10',
      'B-2',
      'b-1',
      'lotA',
      'lotA.openedOn',
      'ä',
    ]);
    expect(byText('B-1', 'B-1')).toBe(0);
    expect(Math.sign(byText('', 'a'))).toBe(-Math.sign(byText('a', '')));
  });
});
