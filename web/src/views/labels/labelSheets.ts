/** A sheet of labels as it is bought: its paper, its rows and columns, mm. */
export interface LabelSheet {
  readonly id: string;
  readonly words: string;
  readonly paper: readonly [width: number, height: number];
  readonly columns: number;
  readonly rows: number;
  readonly label: readonly [width: number, height: number];
  /** From the paper's edge to the first label, mm. */
  readonly margin: readonly [left: number, top: number];
  /** From one label to the next, mm. */
  readonly pitch: readonly [across: number, down: number];
}

const A4 = [210, 297] as const;
const LETTER = [215.9, 279.4] as const;

/** The usual sheets, by their sizes. */
export const LABEL_SHEETS: readonly LabelSheet[] = [
  {
    id: 'a4-24',
    words: 'A4, 24 of 70 by 37 mm',
    paper: A4,
    columns: 3,
    rows: 8,
    label: [70, 37],
    margin: [0, 0.5],
    pitch: [70, 37],
  },
  {
    id: 'a4-14',
    words: 'A4, 14 of 99 by 38 mm',
    paper: A4,
    columns: 2,
    rows: 7,
    label: [99.1, 38.1],
    margin: [4.7, 15.2],
    pitch: [101.6, 38.1],
  },
  {
    id: 'letter-30',
    words: 'Letter, 30 of 67 by 25 mm',
    paper: LETTER,
    columns: 3,
    rows: 10,
    label: [66.7, 25.4],
    margin: [4.8, 12.7],
    pitch: [69.9, 25.4],
  },
  {
    id: 'one',
    words: 'One to a page, 62 by 40 mm',
    paper: [62, 40],
    columns: 1,
    rows: 1,
    label: [62, 40],
    margin: [0, 0],
    pitch: [62, 40],
  },
];

/** What a label says and where its code leads. */
export interface LabelWords {
  readonly id: string;
  readonly title: string;
  readonly lines: readonly string[];
  /** Path within the studio. */
  readonly path: string;
}

/** A label at its place on a page, or an empty place that was used before. */
export interface PlacedLabel {
  readonly label: LabelWords;
  readonly left: number;
  readonly top: number;
}

/**
 * Labels laid out on pages.
 * @param used how many labels of the first sheet are gone already
 */
export function layLabels(labels: readonly LabelWords[], sheet: LabelSheet, used: number): PlacedLabel[][] {
  const perPage = sheet.columns * sheet.rows;
  const first = Math.min(Math.max(0, Math.floor(used)), perPage - 1);
  const pages: PlacedLabel[][] = [];
  labels.forEach((label, index) => {
    const at = index + first;
    const [page, place] = [Math.floor(at / perPage), at % perPage];
    const [column, row] = [place % sheet.columns, Math.floor(place / sheet.columns)];
    (pages[page] ??= []).push({
      label,
      left: sheet.margin[0] + column * sheet.pitch[0],
      top: sheet.margin[1] + row * sheet.pitch[1],
    });
  });
  return pages;
}
