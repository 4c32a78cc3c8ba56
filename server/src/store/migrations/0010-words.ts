import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { searchable } from '../searchWords';
import type { Migration } from './migration';

/** Rows whose words are worked out at once. */
const AT_ONCE = 1_000;

/**
 * The facts of a row as words of letters and digits alone: each level, of a batch or of its castings; of a casting with
 * what was seen on it too; each limit that was passed or near. `searchWords.ts` asks for the same words.
 */
const levelsOf = (facts: string) => {
  const isWhole = `COALESCE(json_array_length(${facts}, '$.castings'), 0) = 0`;
  const castings = `json_each(${facts}, '$.castings') k`;
  return `(SELECT group_concat(word, ' ') FROM (
    SELECT hex(l.key || ':' || l.value) AS word FROM json_each(${facts}, '$.levels') l WHERE ${isWhole}
    UNION SELECT 'whole' WHERE ${isWhole}
    UNION SELECT hex(l.key || ':' || l.value) FROM ${castings}, json_each(k.value, '$.levels') l
    UNION SELECT hex(l.key || ':' || l.value || '|' || s.value) FROM ${castings}, json_each(k.value, '$.levels') l, json_each(k.value, '$.seen') s
    UNION SELECT hex('#' || m.value) FROM json_each(${facts}, '$.limits') m
    UNION SELECT hex('#' || m.value) FROM ${castings}, json_each(k.value, '$.limits') m
    UNION SELECT 'near' WHERE instr(${facts}, ':near"') > 0
    UNION SELECT 'looked' || json_extract(${facts}, '$.looked')
  ))`;
};
/** The number of a row that a trigger sees: it is given after the row came. */
const numberOf = (code: string) => `(SELECT number FROM batches WHERE code = ${code})`;

const TABLES = [
  // A number that a row keeps, through a vacuum too, for the indexes of words.
  'ALTER TABLE batches ADD COLUMN number INTEGER',
  'CREATE INDEX batches_by_number ON batches (number, started_at, code)',
  'CREATE INDEX batches_by_code ON batches (code, started_at, number)',
  // The log's own order with what its filters ask, so that a page of it is read without its documents.
  'CREATE INDEX batches_in_order ON batches (started_at, code, number)',
  // Words: SQLite's own index; letters with and without marks are the same.
  `CREATE VIRTUAL TABLE batch_words USING fts5(words, content='', contentless_delete=1, prefix='1 2 3', tokenize="unicode61 remove_diacritics 2")`,
  // Facts: a word each, so that a factor is asked of an index and not of every row.
  `CREATE VIRTUAL TABLE batch_levels USING fts5(levels, content='', contentless_delete=1, detail='none', tokenize='ascii')`,
  'CREATE INDEX castings_with_reason ON castings (batch_code, reason) WHERE reason IS NOT NULL',
  'CREATE INDEX castings_sold ON castings (sold_on, batch_code) WHERE sold_on IS NOT NULL',
  // What most castings and batches have is asked of each, and of an index alone.
  'CREATE INDEX castings_of_batch ON castings (batch_code, grade, sold_on)',
  'CREATE INDEX batch_symptoms_of_batch ON batch_symptoms (batch_code, kind, pattern)',
  'DROP INDEX batch_symptoms_by_batch',
  'CREATE INDEX batches_by_mass ON batches (mass_g, code)',
  'CREATE INDEX batches_by_mould_code ON batches (mould, code)',
  'CREATE INDEX batches_by_outside_code ON batches (outside, code)',
  'DROP INDEX batches_by_words',
  // What the core fitted to a card holds until the card or the fit changes: it is kept under both.
  'CREATE TABLE card_fits (key TEXT PRIMARY KEY, fit TEXT NOT NULL CHECK (json_valid(fit))) WITHOUT ROWID',
];

const FILL = [
  'INSERT INTO batch_words (rowid, words) SELECT number, search FROM batches',
  `INSERT INTO batch_levels (rowid, levels) SELECT number, ${levelsOf('facts')} FROM batches WHERE facts IS NOT NULL`,
];

const TRIGGERS = [
  `CREATE TRIGGER batch_words_in AFTER INSERT ON batches BEGIN
    UPDATE batches SET number = COALESCE((SELECT MAX(number) FROM batches), 0) + 1 WHERE code = NEW.code;
    INSERT INTO batch_words (rowid, words) VALUES (${numberOf('NEW.code')}, NEW.search);
    INSERT INTO batch_levels (rowid, levels) SELECT ${numberOf('NEW.code')}, ${levelsOf('NEW.facts')} WHERE NEW.facts IS NOT NULL;
  END`,
  `CREATE TRIGGER batch_words_changed AFTER UPDATE OF search ON batches WHEN NEW.search IS NOT OLD.search BEGIN
    DELETE FROM batch_words WHERE rowid = ${numberOf('NEW.code')};
    INSERT INTO batch_words (rowid, words) VALUES (${numberOf('NEW.code')}, NEW.search);
  END`,
  `CREATE TRIGGER batch_levels_changed AFTER UPDATE OF facts ON batches WHEN NEW.facts IS NOT OLD.facts BEGIN
    DELETE FROM batch_levels WHERE rowid = ${numberOf('NEW.code')};
    INSERT INTO batch_levels (rowid, levels) SELECT ${numberOf('NEW.code')}, ${levelsOf('NEW.facts')} WHERE NEW.facts IS NOT NULL;
  END`,
  `CREATE TRIGGER batch_words_out BEFORE DELETE ON batches BEGIN
    DELETE FROM batch_words WHERE rowid = ${numberOf('OLD.code')};
    DELETE FROM batch_levels WHERE rowid = ${numberOf('OLD.code')};
  END`,
];

/** Each row's words as they are laid down from now on, and its number. */
async function wordsAnew(sequelize: Sequelize, transaction: Transaction): Promise<void> {
  let number = 0;
  for (let after = ''; ;) {
    const rows = await sequelize.query<{ code: string; search: string }>(
      'SELECT code, search FROM batches WHERE code > ? ORDER BY code LIMIT ?',
      { type: QueryTypes.SELECT, replacements: [after, AT_ONCE], transaction },
    );
    const last = rows.at(-1);
    if (!last) return;
    const anew = rows.map(({ code, search }) => [code, searchable(search), (number += 1)]);
    await sequelize.query(
      `UPDATE batches SET search = json_extract(a.value, '$[1]'), number = json_extract(a.value, '$[2]')
       FROM json_each(?) a WHERE batches.code = json_extract(a.value, '$[0]')`,
      { replacements: [JSON.stringify(anew)], transaction },
    );
    after = last.code;
  }
}

export const words: Migration = {
  name: '0010-words',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of TABLES) await sequelize.query(statement, { transaction });
      await wordsAnew(sequelize, transaction);
      for (const statement of [...FILL, ...TRIGGERS]) await sequelize.query(statement, { transaction });
    });
  },
};
