import { readDataSheet } from '@warm-jar/core';
import { MADE_UP_SHEETS, scoreSheet, sheetText } from '@warm-jar/core/made-up-sheets';
import { median } from './median';

const sum = (numbers: readonly number[]) => numbers.reduce((total, n) => total + n, 0);
const inventedIn = (of: readonly { readonly invented: readonly unknown[] }[]) => sum(of.map((s) => s.invented.length));

/**
 * Prints how much of what made-up data sheets state is found, by layout, and how many figures are invented.
 * @param unitMs what parsing a card takes in this run
 */
export function printDataSheets(unitMs: number): void {
  const layouts = [...new Set(MADE_UP_SHEETS.map((s) => s.layout))];
  const scores = MADE_UP_SHEETS.map((sheet) => ({
    layout: sheet.layout,
    ...scoreSheet(sheet, readDataSheet(sheetText(sheet), { asked: sheet.asked })),
  }));
  console.log(`\ndata sheets: ${MADE_UP_SHEETS.length} made-up sheets in ${layouts.length} layouts\n`);
  console.log('| layout | stated | found | invented |\n|---|---|---|---|');
  for (const layout of layouts) {
    const of = scores.filter((s) => s.layout === layout);
    console.log(
      `| ${[layout, sum(of.map((s) => s.stated)), sum(of.map((s) => s.found)), inventedIn(of)].join(' | ')} |`,
    );
  }
  const [stated, found] = [sum(scores.map((s) => s.stated)), sum(scores.map((s) => s.found))];
  const texts = MADE_UP_SHEETS.map(sheetText);
  const ms = median(() => {
    for (const text of texts) readDataSheet(text);
  }, 3);
  console.log(
    `\nfound ${found} of ${stated} (${((100 * found) / stated).toFixed(1)} %), invented ${inventedIn(scores)}`,
  );
  console.log(`one sheet takes ${(ms / texts.length / unitMs).toFixed(0)} times the unit`);
}
