import { MARKED } from '../searchWords';
import { levelsOf } from './0012-kept-facts';
import type { Migration } from './migration';

/**
 * What a row `b` is found by: its words, and behind a sign that nobody types each of its facts, none where they are
 * missing or are no JSON, and each of its marks.
 */
const FOUND_BY = `replace(b.search, '${MARKED[0]}', ' ') || ' ${MARKED}' || replace(
    CASE WHEN json_valid(b.facts) THEN ${levelsOf('b.facts')} || ' ' ELSE '' END || b.marks, ' ', ' ${MARKED}')`;
const IN = `INSERT INTO batch_words (rowid, words) SELECT b.number, ${FOUND_BY} FROM batches b`;
const OUT = 'DELETE FROM batch_words WHERE rowid = OLD.number';

/** Orders of the log that an index gives, which then tells what row it is too. */
const ORDERS = [
  ['batches_by_mass', 'mass_g'],
  ['batches_by_mould_code', 'mould'],
  ['batches_by_outside_code', 'outside'],
] as const;

const STATEMENTS = [
  ...['batch_words_in', 'batch_words_changed', 'batch_levels_changed', 'batch_words_out'].map(
    (name) => `DROP TRIGGER ${name}`,
  ),
  'DROP TABLE batch_words',
  'DROP TABLE batch_levels',
  // One index for all that the log is asked by: what is asked together is then one question to it. It holds which batches
  // have a word, and not where in their text; without the column either, a row by itself would be looked for four times
  // as long.
  `CREATE VIRTUAL TABLE batch_words USING fts5(words, content='', contentless_delete=1, detail='column', prefix='1 2 3 4 5 6', tokenize="unicode61 remove_diacritics 2")`,
  `${IN} WHERE b.number IS NOT NULL`,
  `CREATE TRIGGER batch_words_in AFTER INSERT ON batches BEGIN
    UPDATE batches SET number = COALESCE((SELECT MAX(number) FROM batches), 0) + 1 WHERE code = NEW.code;
    ${IN} WHERE b.code = NEW.code;
  END`,
  `CREATE TRIGGER batch_words_changed AFTER UPDATE OF search, facts, marks ON batches
    WHEN NEW.search IS NOT OLD.search OR NEW.facts IS NOT OLD.facts OR NEW.marks IS NOT OLD.marks BEGIN
    ${OUT};
    ${IN} WHERE b.code = NEW.code;
  END`,
  `CREATE TRIGGER batch_words_out BEFORE DELETE ON batches BEGIN ${OUT}; END`,
  ...ORDERS.flatMap(([name, column]) => [
    `DROP INDEX ${name}`,
    `CREATE INDEX ${name} ON batches (${column}, code, number)`,
  ]),
];

export const oneIndex: Migration = {
  name: '0017-one-index',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of STATEMENTS) await sequelize.query(statement, { transaction });
    });
  },
};
