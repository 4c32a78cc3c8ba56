import type { Migration } from './migration';

const YES = (path: string) => `COALESCE(json_extract(o.value, '${path}'), 0) = 1`;

const STATEMENTS = [
  // What causes turned out to be, or not to be. Written with the batch.
  `CREATE TABLE outcomes (
    batch_code TEXT NOT NULL REFERENCES batches (code) ON DELETE CASCADE,
    place INTEGER NOT NULL CHECK (place >= 0),
    symptom TEXT NOT NULL,
    casting TEXT,
    cause TEXT NOT NULL,
    how TEXT NOT NULL,
    refuted INTEGER NOT NULL CHECK (refuted IN (0, 1)),
    PRIMARY KEY (batch_code, place)
  )`,
  'CREATE INDEX outcomes_by_cause ON outcomes (cause, refuted, batch_code)',
  `INSERT INTO outcomes (batch_code, place, symptom, casting, cause, how, refuted)
   SELECT b.code, o.key, json_extract(o.value, '$.symptom'), json_extract(o.value, '$.casting'),
     json_extract(o.value, '$.cause'), json_extract(o.value, '$.how'), ${YES('$.refuted')}
   FROM batches b, json_each(b.document, '$.outcome') o
   WHERE json_type(o.value) = 'object' AND json_extract(o.value, '$.symptom') IS NOT NULL
     AND json_extract(o.value, '$.cause') IS NOT NULL AND json_extract(o.value, '$.how') IS NOT NULL`,
  // The gear that a batch was made with: its scale, its vessel, and the devices that it was read by.
  `CREATE TABLE batch_gear (
    batch_code TEXT NOT NULL REFERENCES batches (code) ON DELETE CASCADE,
    kind TEXT NOT NULL CHECK (kind IN ('scale', 'vessel', 'device')),
    gear TEXT NOT NULL,
    PRIMARY KEY (batch_code, kind, gear)
  ) WITHOUT ROWID`,
  'CREATE INDEX batch_gear_by_gear ON batch_gear (gear, kind, batch_code)',
  `INSERT OR IGNORE INTO batch_gear (batch_code, kind, gear)
   SELECT code, 'scale', json_extract(document, '$.mix.scale') FROM batches WHERE json_extract(document, '$.mix.scale') IS NOT NULL`,
  `INSERT OR IGNORE INTO batch_gear (batch_code, kind, gear)
   SELECT code, 'vessel', json_extract(document, '$.pressure.vessel') FROM batches WHERE json_extract(document, '$.pressure.vessel') IS NOT NULL`,
  `INSERT OR IGNORE INTO batch_gear (batch_code, kind, gear)
   SELECT b.code, 'device', json_extract(r.value, '$.device') FROM batches b, json_each(b.document, '$.readings') r
   WHERE json_type(r.value) = 'object' AND json_extract(r.value, '$.device') IS NOT NULL`,
  // What was seen on each casting, so that its neighbours can be counted without opening a document.
  'ALTER TABLE castings ADD COLUMN looked INTEGER NOT NULL DEFAULT 0',
  "ALTER TABLE castings ADD COLUMN seen TEXT NOT NULL DEFAULT ''",
  `UPDATE castings SET looked = EXISTS (
     SELECT 1 FROM batches b, json_each(b.document, '$.checks') c WHERE b.code = castings.batch_code
       AND (castings.casting IS NULL OR json_extract(c.value, '$.casting') IS NULL OR json_extract(c.value, '$.casting') = castings.casting))`,
  `UPDATE castings SET seen = COALESCE((
     SELECT ' ' || group_concat(DISTINCT json_extract(s.value, '$.kind')) || ' '
     FROM batches b, json_each(b.document, '$.checks') c, json_each(c.value, '$.symptoms') s
     WHERE b.code = castings.batch_code
       AND (castings.casting IS NULL OR json_extract(c.value, '$.casting') IS NULL OR json_extract(c.value, '$.casting') = castings.casting)), '')`,
  "UPDATE castings SET seen = replace(seen, ',', ' ')",
  'CREATE INDEX castings_as_looked ON castings (batch_code, looked, seen)',
  'CREATE INDEX batches_by_product_code ON batches (product_slug, code)',
  // Facts know now what was copied from where, and what it turned out to be.
  "UPDATE batches SET facts = NULL WHERE copied_from IS NOT NULL OR json_type(document, '$.outcome') = 'array'",
];

export const outcomes: Migration = {
  name: '0008-outcomes',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of STATEMENTS) await sequelize.query(statement, { transaction });
    });
  },
};
