import { levelsOf } from './0012-kept-facts';
import type { Migration } from './migration';

/** A mark as a word of letters and digits alone, as `searchWords.ts` asks for it. */
const mark = (text: string) => `hex('!' || ${text})`;
const some = (text: string, from: string) => `SELECT ${mark(text)} FROM ${from}`;

/** The marks of a row `b` (`batchMarks.ts`), each once. */
export const MARKS = `(SELECT group_concat(word, ' ') FROM (
    SELECT ${mark("'product:' || b.product_slug")} AS word
    UNION SELECT ${mark("'stage:' || b.stage")}
    UNION SELECT ${mark(`'by:' || b."by"`)} WHERE b."by" IS NOT NULL
    UNION SELECT ${mark("iif(b.outside > 0, 'outside', 'inside')")}
    UNION SELECT ${mark("'lot:' || b.lot_a")} WHERE b.lot_a IS NOT NULL
    UNION SELECT ${mark("'lot:' || b.lot_b")} WHERE b.lot_b IS NOT NULL
    UNION SELECT ${mark("iif(EXISTS (SELECT 1 FROM batch_symptoms WHERE batch_code = b.code), 'seen', 'unseen')")}
    UNION ${some("'seen:' || kind", 'batch_symptoms WHERE batch_code = b.code')}
    UNION ${some("'seen:' || kind || '/' || pattern", 'batch_symptoms WHERE batch_code = b.code')}
    UNION ${some("'grade:' || COALESCE(grade, 'none')", 'castings WHERE batch_code = b.code')}
    UNION ${some("'mould:' || mould", 'castings WHERE batch_code = b.code AND mould IS NOT NULL')}
    UNION ${some("iif(sold_on IS NULL, 'unsold', 'sold')", 'castings WHERE batch_code = b.code')}
    UNION SELECT ${mark("iif(EXISTS (SELECT 1 FROM outcomes WHERE batch_code = b.code AND refuted = 0), 'outcome', 'unknown')")}
    UNION ${some("'outcome:' || cause", 'outcomes WHERE batch_code = b.code AND refuted = 0')}
    UNION ${some("'gear:' || gear", 'batch_gear WHERE batch_code = b.code')}
  ))`;

/** The facts of a row as words, none where they are missing or are no JSON, and its marks. */
const levelsAndMarks = (row: string) =>
  `CASE WHEN json_valid(${row}.facts) THEN ${levelsOf(`${row}.facts`)} ELSE '' END || ' ' || ${row}.marks`;
/** The number of a row that a trigger sees: it is given after the row came. */
const numberOf = (code: string) => `(SELECT number FROM batches WHERE code = ${code})`;

const WORDS_IN = `INSERT INTO batch_words (rowid, words, marks) VALUES (${numberOf('NEW.code')}, NEW.search, NEW.marks);`;
const LEVELS_IN = `INSERT INTO batch_levels (rowid, levels) SELECT ${numberOf('NEW.code')}, ${levelsAndMarks('NEW')};`;

const STATEMENTS = [
  "ALTER TABLE batches ADD COLUMN marks TEXT NOT NULL DEFAULT ''",
  `UPDATE batches AS b SET marks = ${MARKS}`,
  ...['batch_words_in', 'batch_words_changed', 'batch_levels_changed'].map((name) => `DROP TRIGGER ${name}`),
  'DROP TABLE batch_words',
  'DROP TABLE batch_levels',
  // Marks beside the words, and beside the facts: what is asked of either together with them is one question to it.
  `CREATE VIRTUAL TABLE batch_words USING fts5(words, marks, content='', contentless_delete=1, prefix='1 2 3 4 5 6', tokenize="unicode61 remove_diacritics 2")`,
  `CREATE VIRTUAL TABLE batch_levels USING fts5(levels, content='', contentless_delete=1, detail='none', tokenize='ascii')`,
  'INSERT INTO batch_words (rowid, words, marks) SELECT number, search, marks FROM batches WHERE number IS NOT NULL',
  `INSERT INTO batch_levels (rowid, levels) SELECT number, ${levelsAndMarks('b')} FROM batches b WHERE number IS NOT NULL`,
  `CREATE TRIGGER batch_words_in AFTER INSERT ON batches BEGIN
    UPDATE batches SET number = COALESCE((SELECT MAX(number) FROM batches), 0) + 1 WHERE code = NEW.code;
    ${WORDS_IN}
    ${LEVELS_IN}
  END`,
  `CREATE TRIGGER batch_words_changed AFTER UPDATE OF search, marks ON batches
    WHEN NEW.search IS NOT OLD.search OR NEW.marks IS NOT OLD.marks BEGIN
    DELETE FROM batch_words WHERE rowid = ${numberOf('NEW.code')};
    ${WORDS_IN}
  END`,
  `CREATE TRIGGER batch_levels_changed AFTER UPDATE OF facts, marks ON batches
    WHEN NEW.facts IS NOT OLD.facts OR NEW.marks IS NOT OLD.marks BEGIN
    DELETE FROM batch_levels WHERE rowid = ${numberOf('NEW.code')};
    ${LEVELS_IN}
  END`,
];

export const marks: Migration = {
  name: '0016-marks',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of STATEMENTS) await sequelize.query(statement, { transaction });
    });
  },
};
