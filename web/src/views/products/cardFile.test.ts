import { SALTMARSH_CARDS, productSchema, saltmarshCard } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { withoutEmpty } from '../../stores/documentForm';
import { cardsToCsv, readCards } from './cardFile';

const bytes = (text: string) => new TextEncoder().encode(text).buffer as ArrayBuffer;
const latin1 = (text: string) => Uint8Array.from([...text].map((c) => c.charCodeAt(0))).buffer as ArrayBuffer;

describe('cards in files', () => {
  it('survive CSV and back, all eleven', () => {
    const read = readCards('cards.csv', bytes(`\uFEFF${cardsToCsv(SALTMARSH_CARDS)}`));
    if (!read.ok) throw new Error(read.says);
    expect(read.rows.map((r) => productSchema.parse(r))).toEqual(SALTMARSH_CARDS.map((c) => withoutEmpty(c)));
  });
  it('are read from JSON, one or many, whatever the file is called', () => {
    const one = saltmarshCard('house-tide');
    expect(readCards('tide.json', bytes(JSON.stringify(one)))).toEqual({ ok: true, rows: [one] });
    expect(readCards('tide.txt', bytes(JSON.stringify([one, one])))).toMatchObject({ ok: true, rows: [one, one] });
  });
  it('keep commas, quotes and line breaks in text', () => {
    const odd = { ...saltmarshCard('house-tide'), source: 'sheet "A", page 2\nbottom' };
    const read = readCards('x.csv', bytes(cardsToCsv([odd])));
    expect(read.ok && (read.rows[0] as { source: string }).source).toBe(odd.source);
  });
  it.each([
    ['another encoding', latin1('slug,name\nhouse-x,Caf\u00e9'), /not in UTF-8/],
    ['no slug column', bytes('name,family\nX,epoxy\n'), /no column "slug"/],
    ['broken JSON', bytes('{ "slug": '), /not JSON/],
    ['a row too long', bytes('slug,name\nhouse-x,X,extra\n'), /row 2/],
    ['a list of numbers', bytes('[1, 2]'), /holds no cards/],
    ['too large a file', new ArrayBuffer(2_100_000), /larger than 2 MB/],
  ])('are refused with %s, and it is said why', (_what, content, says) => {
    const read = readCards('cards.csv', content);
    expect(read.ok ? '' : read.says).toMatch(says);
  });
});
