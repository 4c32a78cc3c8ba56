import type { Migration } from './migration';

/** What else an index by each of these holds: what is asked for together with it is then counted by the index alone. */
const LONGER = [
  ['batches_by_stage', 'stage', 'outside'],
  ['batches_by_product', 'product_slug', '"by", stage, outside'],
  ['batches_by_person', '"by"', 'stage, outside'],
  ['batches_by_mould', 'mould', ''],
  ['batches_by_grade', 'grade', ''],
  ['batches_by_outside', 'outside', ''],
] as const;

const STATEMENTS = [
  ...LONGER.flatMap(([name, column, others]) => [
    `DROP INDEX ${name}`,
    `CREATE INDEX ${name} ON batches (${column}, started_at, code, number${others && `, ${others}`})`,
  ]),
  // The beginnings of words, of up to six letters, are kept as words are: to join all that begin alike took longest.
  'DROP TABLE batch_words',
  `CREATE VIRTUAL TABLE batch_words USING fts5(words, content='', contentless_delete=1, prefix='1 2 3 4 5 6', tokenize="unicode61 remove_diacritics 2")`,
  'INSERT INTO batch_words (rowid, words) SELECT number, search FROM batches WHERE number IS NOT NULL',
];

export const longerIndexes: Migration = {
  name: '0015-longer-indexes',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of STATEMENTS) await sequelize.query(statement, { transaction });
    });
  },
};
