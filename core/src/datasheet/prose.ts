import { segmentOf, type Segment, type Stretch } from './segment';
import type { About } from './tableRow';

/** A line of running text, or what is left of one. */
export interface ProseLine {
  readonly text: string;
  readonly line: number;
  readonly at: number;
}

/** Words that are written short with a point, and end no sentence. */
const SHORT =
  /(?:\b(?:approx|max|min|vol|wt|ca|temp|visc|spec|no|e\.g|i\.e|fl|oz|hrs?|mins?|lbs?|sec|incl|rel|resp|vs|typ|fig|nr|cu|sq|gal|deg|abs|dept|mr|ltd|co|inc))\.$|(?<!\b(?:part|component|side|type|grade)\s)\b[A-Z]\.$/i;
const NUMBER_BEFORE = /\d\s*(?:min|hrs?|h|lbs?|oz|in|vol|wt|mins|sec|gal)\.$/i;

/** The places at which the sentences of a text begin. */
function sentenceStarts(text: string): number[] {
  const starts = [0];
  for (const gap of text.matchAll(/[.!?](?=\s+[A-Z0-9(•"])(?!\s+Hg)\s+/g)) {
    const upTo = text.slice(0, gap.index + 1);
    const next = text.charAt(gap.index + gap[0].length);
    const ends = !SHORT.test(upTo) || (NUMBER_BEFORE.test(upTo) && /[A-Z]/.test(next));
    if (ends && !/\d\.$/.test(`${upTo}${/^\d/.test(next) ? '' : ' '}`)) starts.push(gap.index + gap[0].length);
  }
  return starts;
}

/**
 * The sentences of lines that run on, each as a segment that knows on which lines it stands.
 */
export function sentences(lines: readonly ProseLine[], about: About): Segment[] {
  const whole = lines.map((l) => l.text).join(' ');
  const starts = sentenceStarts(whole);
  return starts.flatMap((from, index) => {
    const to = starts[index + 1] ?? whole.length;
    const stretches: Stretch[] = [];
    let at = 0;
    for (const line of lines) {
      const [begin, end] = [Math.max(from, at), Math.min(to, at + line.text.length)];
      if (begin < end) {
        if (stretches.length > 0) stretches.push({ text: ' ' });
        stretches.push({ text: line.text.slice(begin - at, end - at), line: line.line, at: line.at + begin - at });
      }
      at += line.text.length + 1;
    }
    return stretches.length > 0 ? [segmentOf(stretches, about)] : [];
  });
}

const WAITS_FOR_MORE =
  /(?:\b(?:at|of|a|an|the|is|are|to|for|in|and|or|from|about|after|than|mix|be|with|by|within|between|up|until|part|parts|not|exceed|below|above|under|over|max|per)|[,(&/:–-])$/i;
const NARROW = 45;
/** As long as a line of running text: one that goes on with a capital is a name. */
const WIDE = 72;
/** A line that begins with its own label. */
const LABELLED = /^[A-Z][^.:]{1,48}:\s/;

/** Whether a line goes on with the sentence of the one above it. */
export function runsOn(above: string, below: string): boolean {
  if (LABELLED.test(below)) return false;
  if (/[.!?;]$/.test(above) && !SHORT.test(above)) return false;
  if (WAITS_FOR_MORE.test(above) && !/\d[^a-z]*in$/i.test(above)) return true;
  if (/^[a-z(]/.test(below)) return true;
  const least = /^[A-Z]/.test(below) ? WIDE : NARROW;
  return above.length >= least && /^\w/.test(below) && /[a-z,]$/i.test(above);
}
