import { saltmarshCard, saltmarshLots, saltmarshMoulds } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { storedBatch } from '../../testing/pretendedStudio';
import { LABEL_SHEETS, layLabels } from './labelSheets';
import { labelOfLot, labelOfMould, labelsOfBatch } from './labelWords';

const labels = Array.from({ length: 30 }, (_, n) => ({ id: `l${n}`, title: `L${n}`, lines: [], path: `/lots/L${n}` }));

describe('sheets of labels', () => {
  it.each(LABEL_SHEETS.map((s) => [s.words, s] as const))(
    '%s: every label lies on the paper, none over another',
    (_, sheet) => {
      const [width, height] = sheet.label;
      for (const page of layLabels(labels, sheet, 0)) {
        for (const { left, top } of page) {
          expect(left).toBeGreaterThanOrEqual(0);
          expect(left + width).toBeLessThanOrEqual(sheet.paper[0] + 0.2);
          expect(top + height).toBeLessThanOrEqual(sheet.paper[1] + 0.2);
        }
        const places = new Set(page.map(({ left, top }) => `${left} ${top}`));
        expect(places.size).toBe(page.length);
      }
      expect(sheet.pitch[0]).toBeGreaterThanOrEqual(width);
      expect(sheet.pitch[1]).toBeGreaterThanOrEqual(height);
    },
  );
  it('leave out what is gone from the first sheet, and go on with a second', () => {
    const [sheet] = LABEL_SHEETS;
    const pages = layLabels(labels, sheet!, 20);
    expect(pages.map((p) => p.length)).toEqual([4, 24, 2]);
    expect(pages[0]![0]).toMatchObject({ label: { id: 'l0' }, left: 140, top: 0.5 + 6 * 37 });
  });
  it.each([-3, 0, 2.7, 999])('%d gone is taken as what can be', (used) => {
    const count = layLabels(labels, LABEL_SHEETS[0]!, used).reduce((n, page) => n + page.length, 0);
    expect(count).toBe(30);
  });
});

describe('what a label says', () => {
  it('of a bottle: whose it is and until when, and it leads to the lot', () => {
    const lot = saltmarshLots(new Date('2026-03-14T10:00:00Z'))[0]!;
    const label = labelOfLot({ ...lot, useBy: '2026-12-01', openedOn: null }, 'House Clear 6');
    expect(label.lines).toEqual([`House Clear 6, part ${lot.part}`, 'use by 2026-12-01']);
    expect(label.path).toBe(`/lots/${encodeURIComponent(lot.code)}`);
  });
  it('of a mould', () => {
    const mould = saltmarshMoulds()[0]!;
    expect(labelOfMould(mould)).toMatchObject({ title: mould.code, path: `/moulds/${mould.code}` });
  });
  it('of a batch: one cup where it was not split, else each, and each casting', () => {
    const card = saltmarshCard('house-clear-6');
    expect(labelsOfBatch(storedBatch('B-0007', {}), card).map((l) => l.path)).toEqual(['/at/B-0007']);
    const split = storedBatch('B-0007', { cups: [{ id: 'c1' }, { id: 'c2' }], castings: [{ id: 'k1', cup: 'c1' }] });
    expect(labelsOfBatch(split, card).map((l) => l.path)).toEqual([
      '/at/B-0007?cup=c1',
      '/at/B-0007?cup=c2',
      '/at/B-0007?casting=k1',
    ]);
  });
});
