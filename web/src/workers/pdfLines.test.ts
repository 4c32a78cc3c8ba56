import { readDataSheet } from '@warm-jar/core';
import { MADE_UP_SHEETS, scoreSheet, sheetText } from '@warm-jar/core/made-up-sheets';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { describe, expect, it } from 'vitest';
import { sheetPdf } from '../testing/sheetPdf';
import { pdfLines } from './pdfLines';

/** Every second of the made-up sheets is a PDF. */
const AS_PDF = MADE_UP_SHEETS.filter((_, at) => at % 2 === 0);

async function linesOf(bytes: Uint8Array): Promise<string> {
  const task = getDocument({ data: bytes, isEvalSupported: false, verbosity: 0 });
  try {
    return (await pdfLines(await task.promise)).join('\n');
  } finally {
    await task.destroy();
  }
}
const scored = async (sheet: (typeof MADE_UP_SHEETS)[number]) => {
  const text = await linesOf(await sheetPdf(sheet));
  return scoreSheet(sheet, readDataSheet(text, { asked: sheet.asked }));
};

describe('data sheets as PDFs', () => {
  it('are half of them', () => {
    expect(AS_PDF.length).toBeGreaterThanOrEqual(20);
  });
  it('give up at least 95 % of what they state, and nothing that they do not', async () => {
    const scores = await Promise.all(AS_PDF.map(scored));
    const [stated, found] = [scores.reduce((n, s) => n + s.stated, 0), scores.reduce((n, s) => n + s.found, 0)];
    expect(scores.flatMap((s) => s.invented)).toEqual([]);
    expect(found / stated, JSON.stringify(scores.flatMap((s) => s.missed))).toBeGreaterThanOrEqual(0.95);
  });
  it('keep their words, line by line', async () => {
    const sheet = AS_PDF[0]!;
    const [read, written] = [await linesOf(await sheetPdf(sheet)), sheetText(sheet)].map((text) =>
      text.split(/\s+/).filter(Boolean),
    );
    expect(read).toEqual(written);
  });
});
