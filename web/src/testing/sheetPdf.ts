import { wrapped, type MadeUpSheet } from '@warm-jar/core/made-up-sheets';
import { PDFDocument, StandardFonts, rgb, type PDFFont, type PDFPage } from 'pdf-lib';

const [PAGE_WIDTH, PAGE_HEIGHT, MARGIN] = [595, 842, 50];
const [SIZE, LEADING, HEADING] = [10, 15, 15];
/** Where the cells of a table begin, points from the margin: first the label, then even steps. */
const firstColumn = (cells: number) => (cells > 4 ? 110 : 190);

interface Pen {
  readonly page: PDFPage;
  readonly font: PDFFont;
  readonly bold: PDFFont;
}

/** Draws the cells of a table's line where its columns stand; an empty cell leaves its place. */
function drawCells({ page, font }: Pen, cells: readonly string[], y: number): void {
  const step = (PAGE_WIDTH - 2 * MARGIN - firstColumn(cells.length)) / Math.max(1, cells.length - 1);
  cells.forEach((cell, at) => {
    const x = MARGIN + (at === 0 ? 0 : firstColumn(cells.length) + (at - 1) * step);
    if (cell !== '') page.drawText(cell, { x, y, size: SIZE, font });
  });
}

/** A made-up data sheet as a PDF with words in it: its lines, its tables in columns, its text in lines of a page. */
export async function sheetPdf(sheet: MadeUpSheet): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  const [font, bold] = [await pdf.embedFont(StandardFonts.Helvetica), await pdf.embedFont(StandardFonts.HelveticaBold)];
  let page = pdf.addPage([PAGE_WIDTH, PAGE_HEIGHT]);
  let y = PAGE_HEIGHT - MARGIN;
  sheet.rows.forEach(({ cells, prose }, at) => {
    const lines = prose ? wrapped(cells[0] ?? '') : [cells[0] ?? ''];
    for (const line of cells.length > 1 ? [null] : lines) {
      y -= LEADING;
      if (y < MARGIN) {
        page = pdf.addPage([PAGE_WIDTH, PAGE_HEIGHT]);
        y = PAGE_HEIGHT - MARGIN - LEADING;
      }
      if (line === null) drawCells({ page, font, bold }, cells, y);
      else if (line !== '')
        page.drawText(line, {
          x: MARGIN,
          y,
          size: at === 0 ? HEADING : SIZE,
          font: at === 0 ? bold : font,
          color: rgb(0, 0, 0),
        });
    }
  });
  return pdf.save();
}
