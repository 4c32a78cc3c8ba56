import { labelsIn } from './sheetLabels';
import { measuresIn } from './measures';
import { runsOn, sentences, type ProseLine } from './prose';
import { segmentOf, type HeadingTemperature, type Segment } from './segment';
import type { SheetLine } from './sheetLines';
import type { DecimalSign } from './sheetNumber';
import { partNamed } from './sheetParts';
import { labelUnit, tableHead, type TableHead } from './tableHead';
import { plainRow, ratiosOfRows, rowUnderHead, type About } from './tableRow';

const LONGEST_HEADING = 60;
const STORING = /\b(?:stor(?:age|ing)|transport|shipping|packag\w+|first aid|disposal|fire|toxicolog\w+)\b/i;
const SHELF = /\b(?:shelf|life)\b/i;
/** Words of a heading that say what the figures below are at. */
const AT = /(?:@|\bat\b|\()\s*$/i;

/** A label with its value, a ratio, or the middle of a sentence. */
const NO_HEADING = /^[a-z]|[:=]\s*\S|\d\s*[A-Z]?\s*[:/]\s*\d|\b(?:equal|parts?|to)\b.*\bby (?:weight|volume)/;

/** A line of words alone, short, and not a sentence. */
function isHeading(line: SheetLine, decimal: DecimalSign): boolean {
  const text = line.cells[0]?.text ?? '';
  if (line.cells.length !== 1 || text.length > LONGEST_HEADING || /[.;!?]$/.test(text)) return false;
  const measures = measuresIn(text, decimal).filter((m) => m.dimension !== 'bare' && m.dimension !== 'humidity');
  const rest = measures.every((m) => m.dimension === 'temperature' && AT.test(text.slice(0, m.start)));
  return rest && labelsIn(text).every((l) => l.field === 'other') && !NO_HEADING.test(text);
}

/** The temperature at which a heading says its figures were taken. */
function headingTemperature(line: SheetLine, decimal: DecimalSign): HeadingTemperature | undefined {
  const text = line.cells[0]?.text ?? '';
  const [only, ...more] = measuresIn(text, decimal).filter((m) => m.dimension === 'temperature');
  if (!only || more.length > 0 || only.low !== only.high) return undefined;
  return { atC: only.low, line: line.number, text: text.slice(only.start, only.end) };
}

/** A line that is one label and nothing else: its value stands below it. */
function isLabelAlone(line: SheetLine, decimal: DecimalSign): boolean {
  const text = line.cells[0]?.text ?? '';
  if (line.cells.length !== 1 || text.length > LONGEST_HEADING || /[.;!?]$/.test(text)) return false;
  const labels = labelsIn(text).filter((l) => l.field !== 'other');
  if (labels.length === 0 || labels.length > 2) return false;
  const measures = measuresIn(text, decimal).filter((m) => labels.some((l) => l.takes.includes(m.dimension)));
  const covered = labels.reduce((sum, l) => sum + l.end - l.start, 0);
  return measures.length === 0 && covered >= text.replaceAll(/[[(][^\])]*[\])]|[:\s]/g, '').length * 0.6;
}

const RATIO_ALONE = /^(?:mix(?:ing)? ?)?ratio\b[^\d]*$|^mix(?:ing)? ratio\b[^\d]*$|^parts by (?:weight|volume)$/i;

/** No row and no sentence of a sheet is longer, letters. */
const LONGEST_SEGMENT = 2000;

/** Walks down the sheet and hands on one segment after another. */
class Walk {
  readonly segments: Segment[] = [];
  private prose: ProseLine[] = [];
  private head: TableHead | null = null;
  private pending: SheetLine | null = null;
  private partA: SheetLine | null = null;
  private about: About;

  constructor(
    private readonly decimal: DecimalSign,
    private readonly base: About,
  ) {
    this.about = base;
  }

  private flush() {
    if (this.prose.length > 0) this.segments.push(...sentences(this.prose, this.about));
    this.prose = [];
  }

  private heading(line: SheetLine) {
    this.flush();
    const text = line.cells[0]?.text ?? '';
    const part = partNamed(text) ?? (/\bcured\b/i.test(text) ? 'cured' : undefined);
    const heading = headingTemperature(line, this.decimal);
    this.about = {
      ...this.base,
      ...(part ? { part } : {}),
      ...(heading ? { heading } : {}),
      ...(STORING.test(text) && !SHELF.test(text) ? { stored: true } : {}),
    };
    this.head = null;
    // Its words may name a hazard; figures it has none.
    this.segments.push(segmentOf([{ text, line: line.number, at: line.cells[0]?.at ?? 0 }], this.about));
  }

  private row(line: SheetLine) {
    this.flush();
    const head = tableHead(line, this.decimal);
    if (head) this.head = head;
    else if (this.head && line.cells.length > 1) {
      this.segments.push(...rowUnderHead(line, this.head, this.about));
      this.sides(line, this.head);
    } else this.segments.push(plainRow(line, this.about, this.decimal));
  }

  /** A row of part B after one of part A: their cells make ratios. */
  private sides(line: SheetLine, head: TableHead) {
    const part = partNamed(line.cells[0]?.text ?? '');
    if (part === 'a') this.partA = line;
    if (part === 'b' && this.partA) this.segments.push(...ratiosOfRows(this.partA, line, head, this.about));
  }

  /** The value that stands below its label. */
  private below(label: SheetLine, line: SheetLine) {
    const words = label.cells[0]!;
    this.segments.push(
      segmentOf(
        [
          { text: words.text, line: label.number, at: words.at },
          { text: /:$/.test(words.text) ? ' ' : ': ' },
          ...line.cells.flatMap((cell) => [{ text: cell.text, line: line.number, at: cell.at }, { text: ' ' }]),
        ],
        { ...this.about, unit: labelUnit(words.text) ?? undefined },
      ),
    );
  }

  private single(line: SheetLine) {
    const cell = line.cells[0]!;
    const labelled = /^([^\d:=][^:=]{1,60}[^\d:=])\s*[:=]\s*\S/.exec(cell.text);
    const above = this.prose.at(-1);
    const goesOn = above !== undefined && runsOn(above.text, cell.text);
    const unit = labelled && !goesOn ? labelUnit(labelled[1]!) : null;
    if (unit) {
      this.flush();
      this.segments.push(segmentOf([{ text: cell.text, line: line.number, at: cell.at }], { ...this.about, unit }));
      return;
    }
    const bullet = /^\s*(?:[•▪●◦‣*·]|-\s)/.test(line.text);
    if (above && (bullet || !goesOn)) this.flush();
    this.prose.push({ text: cell.text, line: line.number, at: cell.at });
  }

  take(line: SheetLine) {
    if (line.text.trim() === '') {
      this.flush();
      return;
    }
    const label = this.pending;
    this.pending = null;
    const startsWithValue = /^[<>≤≥~]?\s*(?:approx\.?\s*|max\.?\s*|min\.?\s*|about\s*|up to\s*)?[\d½¼¾]/i.test(
      line.cells[0]?.text ?? '',
    );
    if (label && startsWithValue) {
      this.below(label, line);
      return;
    }
    const running = this.prose.at(-1);
    const goesOn = running !== undefined && line.cells.length === 1 && runsOn(running.text, line.cells[0]!.text);
    const alone = line.cells.length === 1 && !goesOn;
    if (alone && (isLabelAlone(line, this.decimal) || RATIO_ALONE.test(line.cells[0]!.text))) {
      this.flush();
      this.pending = line;
    } else if (alone && isHeading(line, this.decimal)) this.heading(line);
    else if (line.cells.length > 1) this.row(line);
    else this.single(line);
  }

  end(): Segment[] {
    this.flush();
    return this.segments;
  }
}

/**
 * A sheet's lines as segments to be read one by one: cells of tables with their heads, lines, and sentences whole.
 * @param about what holds for all of them, such as the product of a block
 */
export function sheetSegments(lines: readonly SheetLine[], decimal: DecimalSign, about: About = {}): Segment[] {
  const walk = new Walk(decimal, about);
  for (const line of lines) walk.take(line);
  return walk.end().filter((segment) => segment.text.length <= LONGEST_SEGMENT);
}
