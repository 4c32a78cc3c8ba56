/** Longer runs of letters and digits are no code that somebody would type a part of. */
const MAX_CODE = 40;
/** Parts of a code shorter than this are of no use to anybody. */
const MIN_PART = 2;

const runsOf = (text: string): string[] => text.split(/\s+/).filter(Boolean);
/** The letters and digits of a run, signs left out: `B-0399` is `b0399`. */
const joined = (run: string): string => run.replaceAll(/[^\p{L}\p{N}]+/gu, '');

/**
 * A text as it is laid down to be found by words: the text itself, and of each run with digits in it every end from the
 * first of them on, so that a code is found by any part: `b-0399` by `b-0399`, `b0399`, `0399` and `39`.
 */
export function searchable(text: string): string {
  const plain = text.normalize('NFC').toLowerCase();
  const ends = new Set<string>();
  for (const run of runsOf(plain)) {
    const word = joined(run);
    if (word === '') continue;
    if (word !== run) ends.add(word);
    const digit = word.search(/\p{N}/u);
    if (digit < 0 || word.length > MAX_CODE) continue;
    for (let i = Math.max(1, digit); i <= word.length - MIN_PART; i += 1) ends.add(word.slice(i));
  }
  return [plain, ...ends].join(' ');
}

/**
 * What somebody typed as a question to the words: every word of it, each as the beginning of one that is there.
 * @returns null where nothing was typed that could be found
 */
export function wordsQuestion(typed: string): string | null {
  const words = runsOf(typed.normalize('NFC').toLowerCase()).map(joined).filter(Boolean);
  return words.length === 0 ? null : words.map((word) => `"${word}"*`).join(' AND ');
}

/**
 * Before each fact and each mark where words are laid down, so that no word that is typed finds one: of a sign that is
 * a letter to the index and to nobody else. As long as the longest beginning that is kept, so that all have that alone.
 */
export const MARKED = '\u{E000}'.repeat(6);

const hex = (text: string): string => Buffer.from(text, 'utf8').toString('hex');
/** A fact or a mark as a question to the index. */
const asked = (word: string): string => `"${MARKED}${word}"`;

/** Something that a filter asks of a batch or its parts, `grade:pass`, as it stands beside the batch. */
export const markWord = (mark: string): string => hex(`!${mark}`);
export const markAsked = (mark: string): string => asked(markWord(mark));
/** A fact, `pressing:late`. */
export const factAsked = (fact: string): string => asked(hex(fact));
/** A limit with its state, `pour.depthMm:above`. */
export const limitAsked = (limit: string): string => asked(hex(`#${limit}`));
/** A row whose castings are not told apart; one with something near a limit; one that was looked at, or was not. */
export const WHOLE = asked('whole');
export const NEAR = asked('near');
export const lookedAsked = (looked: boolean): string => asked(`looked${looked ? 1 : 0}`);

/**
 * So many rows of the index are counted together, and that count is remembered: more parts take longer the first time.
 * Which of them were written to is laid down by a step of the schema, so that another number takes another step.
 */
export const COUNTED_AT_ONCE = 16_384;
