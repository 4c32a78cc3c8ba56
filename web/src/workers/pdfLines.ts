import { pageLines, type PageItem } from '@warm-jar/core';

/** A page of a PDF as far as its words are concerned. */
interface PdfPage {
  readonly getTextContent: () => Promise<{ readonly items: readonly unknown[] }>;
  readonly getViewport: (options: { scale: number }) => { readonly height: number };
}

/** A PDF that was opened. */
export interface PdfPages {
  readonly numPages: number;
  readonly getPage: (number: number) => Promise<PdfPage>;
}

/** Pages of a data sheet that are read; more is a catalogue. */
export const MOST_PAGES = 60;

interface TextItem {
  readonly str: string;
  readonly transform: readonly number[];
  readonly width: number;
  readonly height: number;
}

const isText = (item: unknown): item is TextItem =>
  typeof item === 'object' && item !== null && 'str' in item && 'transform' in item;

/** A run of letters counted from the top of its page. */
function placed({ str, transform, width, height }: TextItem, pageHeight: number): PageItem {
  const [, , , scaleY = 0, x = 0, y = 0] = transform;
  return { text: str, x, y: pageHeight - y, width, height: height || Math.abs(scaleY) };
}

/** The words of a PDF as lines in reading order, a blank line between two pages. */
export async function pdfLines(pdf: PdfPages): Promise<string[]> {
  const lines: string[] = [];
  for (let number = 1; number <= Math.min(pdf.numPages, MOST_PAGES); number++) {
    const page = await pdf.getPage(number);
    const { height } = page.getViewport({ scale: 1 });
    const { items } = await page.getTextContent();
    lines.push(...pageLines(items.filter(isText).map((item) => placed(item, height))), '');
  }
  return lines;
}
