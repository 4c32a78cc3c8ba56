import { batchListQuerySchema, soundBatch } from '@warm-jar/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testStudio, type TestStudio } from '../testStudio';
import { MARKED, markWord, searchable, wordsQuestion } from './searchWords';

describe('a text as it is laid down to be found', () => {
  it('has every end of a code from its first digit on, and the code without its signs', () => {
    expect(searchable('B-0399 KO').split(' ')).toEqual(['b-0399', 'ko', 'b0399', '0399', '399', '99']);
  });
  it('leaves words and what is too long to be a code as they are', () => {
    expect(searchable('Finials, first go')).toBe('finials, first go finials');
    expect(searchable(`x${'1'.repeat(60)}`)).toBe(`x${'1'.repeat(60)}`);
  });
});

describe('what somebody typed, as a question', () => {
  it('is every word, each as a beginning, without what is no letter', () => {
    expect(wordsQuestion(' B-0399  fin* ')).toBe('"b0399"* AND "fin"*');
  });
  it.each(['', '   ', '"', '-- ()', '\0'])('is none for %j', (typed) => {
    expect(wordsQuestion(typed)).toBeNull();
  });
});

describe('the log by words', () => {
  let studio: TestStudio;
  const found = async (search: string) =>
    (await studio.batches.list(batchListQuerySchema.parse({ search }))).items.map((b) => b.code).sort();
  beforeAll(async () => {
    studio = await testStudio();
    const record = (code: string, note: string, by: string) =>
      soundBatch('house-clear-6', { code, note, by, mould: { code: 'M-12' } });
    for (const batch of [
      record('B-0399', 'finials, première fonte', 'KO'),
      record('B-0400', 'cabinet pulls', 'MT'),
      record('B-1399', 'finials again', 'MT'),
    ])
      await studio.batches.create(batch);
  });
  afterAll(async () => {
    await studio.remove();
  });
  it.each([
    ['finials', ['B-0399', 'B-1399']],
    ['fin', ['B-0399', 'B-1399']],
    ['finials ko', ['B-0399']],
    ['premiere', ['B-0399']],
    ['PREMIÈRE', ['B-0399']],
    ['B-0399', ['B-0399']],
    ['b0399', ['B-0399']],
    ['399', ['B-0399', 'B-1399']],
    ['m-12 pulls', ['B-0400']],
    ['cabinet finials', []],
    ['ials', []],
    // Facts and marks are laid down beside the words, and are no words.
    ['whole', []],
    ['looked', []],
    [markWord('grade:none'), []],
    [`${MARKED}whole`, []],
    [MARKED, ['B-0399', 'B-0400', 'B-1399']],
    ['""', ['B-0399', 'B-0400', 'B-1399']],
  ])('finds by %j', async (typed, codes) => {
    expect(await found(typed)).toEqual(codes);
  });
  it('finds a batch by its words alone where its note has the sign of facts in it', async () => {
    const note = `${MARKED}${markWord('grade:pass')} stones`;
    await studio.batches.create(soundBatch('house-clear-6', { code: 'B-2000', note }));
    expect(await found('stones')).toEqual(['B-2000']);
    const graded = await studio.batches.list(batchListQuerySchema.parse({ grade: 'pass' }));
    expect(graded.items.map((b) => b.code)).not.toContain('B-2000');
    await studio.batches.remove('B-2000', 1);
  });
  it('goes with every change, and with a batch that is gone', async () => {
    const { batch, version } = await studio.batches.get('B-0400');
    const next = await studio.batches.replace('B-0400', version, { ...batch, note: 'drawer knobs' });
    expect(await found('knobs')).toEqual(['B-0400']);
    expect(await found('pulls')).toEqual([]);
    await studio.batches.remove('B-0400', next.version);
    expect(await found('knobs')).toEqual([]);
    await studio.batches.create(soundBatch('house-clear-6', { code: 'B-0500', note: 'knobs too' }));
    expect(await found('knobs')).toEqual(['B-0500']);
  });
  it('is the same after the file was packed anew', async () => {
    await studio.database.sequelize.query('VACUUM');
    expect(await found('finials ko')).toEqual(['B-0399']);
  });
});
