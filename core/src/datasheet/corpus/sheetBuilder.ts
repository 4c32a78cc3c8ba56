/** What a made-up sheet states: paths of a card to their values in the format's own units. */
export type Stated = Readonly<Record<string, number | string | readonly string[]>>;

/** A line of a made-up sheet: cells of a table, or running text. */
export interface SheetRow {
  readonly cells: readonly string[];
  readonly prose: boolean;
}

/** A made-up data sheet with what it states. */
export interface MadeUpSheet {
  readonly name: string;
  readonly layout: string;
  readonly asked?: string;
  readonly rows: readonly SheetRow[];
  readonly stated: Stated;
  /** Paths at which it contradicts itself. */
  readonly contradicts: readonly string[];
  /** How its cells are parted where it is text. */
  readonly gap: 'tab' | 'spaces' | 'bar' | 'dots';
}

/** A figure as a sheet writes it, and what that means in the format's own unit. */
export interface Written {
  readonly text: string;
  readonly value: number;
}

/** Writes a made-up sheet line by line, noting what each line states. */
export class SheetBuilder {
  private readonly rows: SheetRow[] = [];
  private stated: Record<string, number | string | readonly string[]> = {};
  private readonly clashes: string[] = [];

  line(text: string, stated: Stated = {}): this {
    this.rows.push({ cells: [text], prose: false });
    this.stated = { ...this.stated, ...stated };
    return this;
  }

  row(cells: readonly string[], stated: Stated = {}): this {
    this.rows.push({ cells, prose: false });
    this.stated = { ...this.stated, ...stated };
    return this;
  }

  prose(text: string, stated: Stated = {}): this {
    this.rows.push({ cells: [text], prose: true });
    this.stated = { ...this.stated, ...stated };
    return this;
  }

  gap(): this {
    return this.line('');
  }

  clash(...paths: string[]): this {
    this.clashes.push(...paths);
    return this;
  }

  end(name: string, layout: string, gap: MadeUpSheet['gap'], asked?: string): MadeUpSheet {
    const about = { name, layout, gap, rows: this.rows, stated: this.stated, contradicts: this.clashes };
    return asked === undefined ? about : { ...about, asked };
  }
}

const WIDTH = 92;

/** Running text in lines of a page's width. */
export function wrapped(text: string, width = WIDTH): string[] {
  return text.split(' ').reduce<string[]>(
    (lines, word) => {
      const last = lines.at(-1) ?? '';
      const next = last === '' ? word : `${last} ${word}`;
      return next.length > width ? [...lines, word] : [...lines.slice(0, -1), next];
    },
    [''],
  );
}

const GAPS: Readonly<Record<MadeUpSheet['gap'], (cells: readonly string[]) => string>> = {
  tab: (cells) => cells.join('\t'),
  bar: (cells) => `| ${cells.join(' | ')} |`,
  dots: ([first = '', ...rest]) => `${first} ${'.'.repeat(Math.max(3, 40 - first.length))} ${rest.join('  ')}`,
  spaces: (cells) =>
    cells
      .map((cell, i) => (i === 0 ? cell.padEnd(36) : cell.padEnd(14)))
      .join('  ')
      .trimEnd(),
};

/** The sheet as somebody would paste it. */
export const sheetText = (sheet: MadeUpSheet): string =>
  sheet.rows
    .flatMap(({ cells, prose }) => {
      if (cells.length > 1) return [GAPS[sheet.gap](cells)];
      return prose ? wrapped(cells[0] ?? '') : [cells[0] ?? ''];
    })
    .join('\n');

const digits = (value: number) => String(Number(value.toPrecision(4)));
const inUnit =
  (unit: string, per: number, decimals: number) =>
  (stored: number): Written => {
    const shown = Number((stored / per).toFixed(decimals));
    return { text: `${digits(shown)} ${unit}`, value: shown * per };
  };

/** Writers of figures in the units that sheets use. */
export const write = {
  min: inUnit('min', 1, 1),
  minutes: inUnit('minutes', 1, 1),
  h: inUnit('h', 60, 2),
  hours: inUnit('hours', 60, 2),
  days: inUnit('days', 24, 1),
  g: inUnit('g', 1, 0),
  lb: inUnit('lb', 453.59237, 2),
  cps: inUnit('cps', 1, 0),
  paS: inUnit('Pa·s', 1000, 3),
  mm: inUnit('mm', 1, 1),
  cm: inUnit('cm', 10, 2),
  inch: inUnit('in', 25.4, 3),
  psi: inUnit('psi', 6.894757293168, 0),
  bar: inUnit('bar', 100, 2),
  kPa: inUnit('kPa', 1, 0),
  c: (stored: number): Written => ({ text: `${digits(stored)} °C`, value: stored }),
  f: (stored: number): Written => {
    const shown = Math.round(stored * 1.8 + 32);
    return { text: `${shown} °F`, value: (shown - 32) / 1.8 };
  },
};

/** Decimal commas, and points between thousands. */
export const withCommas = (text: string): string =>
  text.replaceAll(/(?<![A-Z]-)\d+(?:\.\d+)?/g, (number) => {
    const [whole = '', tenths] = number.split('.');
    const thousands = whole.length > 3 ? whole.replaceAll(/(?<=\d)(?=(?:\d{3})+$)/g, '.') : whole;
    return tenths === undefined ? thousands : `${thousands},${tenths}`;
  });
