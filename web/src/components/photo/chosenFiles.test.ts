import { describe, expect, it } from 'vitest';
import { chosenFile, keepChosen } from './chosenFiles';

const file = (name: string) => new File(['x'], name);

describe('the chosen files', () => {
  it('are given back by the name of their photo, and none for another', () => {
    keepChosen('a.jpg', file('first'));
    expect(chosenFile('a.jpg')?.name).toBe('first');
    expect(chosenFile('b.jpg')).toBeNull();
  });
  it('are the newest twelve, one chosen again being new', () => {
    for (let i = 0; i < 12; i += 1) keepChosen(`n${i}`, file(String(i)));
    keepChosen('n0', file('again'));
    keepChosen('n12', file('12'));
    expect(chosenFile('n0')?.name).toBe('again');
    expect(chosenFile('n1')).toBeNull();
    expect(chosenFile('n2')?.name).toBe('2');
  });
});
