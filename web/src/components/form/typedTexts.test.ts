import { describe, expect, it } from 'vitest';
import { textIssues, withText, without } from './typedTexts';

describe('texts that are no numbers yet', () => {
  it('are kept until they are, and each says how to write it', () => {
    const texts = withText({}, 'mix.amountA', '14o');
    expect(texts).toEqual({ 'mix.amountA': '14o' });
    expect(textIssues(texts)['mix.amountA']).toContain('such as 21.5');
    expect(withText(texts, 'mix.amountB', '1,,2')).toEqual({ 'mix.amountA': '14o', 'mix.amountB': '1,,2' });
    expect(withText(texts, 'mix.amountA', undefined)).toEqual({});
  });
  it('leave the entries before as they were', () => {
    const before = { a: 1, b: 2 };
    expect(without(before, 'a')).toEqual({ b: 2 });
    expect(before).toEqual({ a: 1, b: 2 });
    expect(without(before, 'c')).toEqual(before);
  });
});
