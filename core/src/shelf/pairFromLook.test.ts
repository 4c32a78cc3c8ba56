import { describe, expect, it } from 'vitest';
import { inclusionSchema } from '../formats/inclusion';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { wordsIn } from '../units/wording';
import { pairFromLooks } from './pairFromLook';
import { inclusionWarnings } from './pairs';

const wrack = (patch: Record<string, unknown> = {}) =>
  inclusionSchema.parse({
    format: 'warm-jar.inclusion/1',
    code: 'I-02',
    what: 'Bladderwrack',
    kind: 'plant',
    ...patch,
  });
const cast = (checks: unknown[], patch: Record<string, unknown> = {}) =>
  soundBatch('house-clear-6', {
    code: 'B-0007',
    startedAt: '2026-03-14T10:00:00Z',
    inclusions: [{ what: 'bladderwrack', kind: 'plant' }],
    checks,
    ...patch,
  });
const look = (afterH: number, kind: string, pattern: string) => ({ afterH, symptoms: [{ kind, pattern }] });

describe('a look at something cast in', () => {
  it('that went badly becomes the outcome of its pair, with day and batch', () => {
    expect(pairFromLooks(cast([look(26, 'inclusion-change', 'unspecified')]), wrack())).toEqual({
      productSlug: 'house-clear-6',
      when: 'next-day',
      outcome: 'bad',
      on: '2026-03-15',
      batch: 'B-0007',
      note: 'seen on B-0007',
    });
  });
  it.each([
    [2, 'at-once'],
    [100, 'next-day'],
    [900, 'after-a-month'],
  ])('after %s h is %s', (afterH, when) => {
    expect(pairFromLooks(cast([look(afterH, 'bubbles', 'around-inclusion')]), wrack())?.when).toBe(when);
  });
  it('counts by the first that went badly, whatever the order in which they were written', () => {
    const looks = [look(400, 'inclusion-change', 'unspecified'), look(3, 'inclusion-change', 'unspecified')];
    expect(pairFromLooks(cast(looks), wrack())?.when).toBe('at-once');
  });
  it.each<[string, ReturnType<typeof cast>, ReturnType<typeof wrack>]>([
    ['a good look', cast([{ afterH: 30, symptoms: [] }]), wrack()],
    ['a fault elsewhere', cast([look(30, 'tacky', 'liquid')]), wrack()],
    [
      'something else cast in',
      cast([look(30, 'inclusion-change', 'unspecified')]),
      wrack({ code: 'I-09', what: 'cork' }),
    ],
    [
      'an outcome that is kept already',
      cast([look(30, 'inclusion-change', 'unspecified')]),
      wrack({ pairs: [{ productSlug: 'house-clear-6', when: 'at-once', outcome: 'bad', batch: 'B-0007' }] }),
    ],
  ])('says nothing for %s', (_what, batch, card) => expect(pairFromLooks(batch, card)).toBeNull());
  it('goes by the code of the shelf before the name', () => {
    const coded = cast([look(30, 'inclusion-change', 'unspecified')], {
      inclusions: [{ what: 'bladderwrack', kind: 'plant', code: 'I-77' }],
    });
    expect(pairFromLooks(coded, wrack())).toBeNull();
    expect(pairFromLooks(coded, wrack({ code: 'I-77', what: 'weed' }))).not.toBeNull();
  });
  it('then warns whoever casts it in again', () => {
    const pair = pairFromLooks(cast([look(26, 'inclusion-change', 'unspecified')]), wrack())!;
    const warned = inclusionWarnings(wrack({ pairs: [pair] }), saltmarshCard('house-clear-6'), wordsIn());
    expect(warned.map((w) => w.code)).toContain('went-badly');
  });
});
