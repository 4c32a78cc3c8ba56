import type { Migration } from './migration';

/** The grade of the last of some looks, in the order of time. */
const lastGrade = (of: string) =>
  `(SELECT json_extract(c.value, '$.grade') FROM json_each(b.document, '$.checks') c WHERE ${of} AND json_extract(c.value, '$.grade') IS NOT NULL ORDER BY json_extract(c.value, '$.afterH') DESC LIMIT 1)`;
const OWN = `json_extract(c.value, '$.casting') = json_extract(k.value, '$.id')`;
const ALL = `json_extract(c.value, '$.casting') IS NULL`;
const TOLD_APART = `COALESCE(json_array_length(b.document, '$.castings'), 0) > 0`;
const number = (path: string) =>
  `CASE WHEN json_type(k.value, '${path}') IN ('integer', 'real') THEN json_extract(k.value, '${path}') END`;

const STATEMENTS = [
  // Each casting of a batch; a batch that tells none apart has one, without an id. Written with the batch.
  `CREATE TABLE castings (
    batch_code TEXT NOT NULL REFERENCES batches (code) ON DELETE CASCADE,
    place INTEGER NOT NULL CHECK (place >= 0),
    casting TEXT,
    mould TEXT,
    cavity INTEGER,
    cup TEXT,
    grade TEXT,
    reason TEXT,
    price REAL,
    mass_g REAL,
    sold_on TEXT,
    PRIMARY KEY (batch_code, place)
  )`,
  'CREATE INDEX castings_by_mould ON castings (mould, cavity, batch_code)',
  'CREATE INDEX castings_by_grade ON castings (grade, batch_code)',
  // What older batches mean: one casting, in the batch's mould, with the batch's grade.
  `INSERT INTO castings (batch_code, place, mould, grade)
   SELECT b.code, 0, b.mould, b.grade FROM batches b WHERE NOT (${TOLD_APART})`,
  `INSERT OR IGNORE INTO castings (batch_code, place, casting, mould, cavity, cup, grade, reason, price, mass_g, sold_on)
   SELECT b.code, k.key, json_extract(k.value, '$.id'),
     COALESCE(json_extract(k.value, '$.mould.code'), b.mould), ${number('$.mould.cavity')}, json_extract(k.value, '$.cup'),
     COALESCE(${lastGrade(OWN)}, json_extract(k.value, '$.grade'), ${lastGrade(ALL)}),
     json_extract(k.value, '$.reason'), ${number('$.price')}, ${number('$.massG')}, json_extract(k.value, '$.soldOn')
   FROM batches b, json_each(b.document, '$.castings') k
   WHERE ${TOLD_APART} AND json_type(k.value) = 'object'`,
  // Their facts are worked out again, casting by casting, when they are next asked for.
  `UPDATE batches AS b SET facts = NULL WHERE ${TOLD_APART}`,
];

export const castings: Migration = {
  name: '0007-castings',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of STATEMENTS) await sequelize.query(statement, { transaction });
    });
  },
};
