import type { Migration } from './migration';

const STATEMENTS = [
  // Batches that were brought in had what they turned out to be, and their gear, in the document alone.
  `INSERT OR IGNORE INTO outcomes (batch_code, place, symptom, casting, cause, how, refuted)
   SELECT b.code, o.key, json_extract(o.value, '$.symptom'), json_extract(o.value, '$.casting'),
     json_extract(o.value, '$.cause'), json_extract(o.value, '$.how'), COALESCE(json_extract(o.value, '$.refuted'), 0) = 1
   FROM batches b, json_each(b.document, '$.outcome') o
   WHERE json_type(o.value) = 'object' AND json_extract(o.value, '$.symptom') IS NOT NULL
     AND json_extract(o.value, '$.cause') IS NOT NULL AND json_extract(o.value, '$.how') IS NOT NULL`,
  `INSERT OR IGNORE INTO batch_gear (batch_code, kind, gear)
   SELECT code, 'scale', json_extract(document, '$.mix.scale') FROM batches WHERE json_extract(document, '$.mix.scale') <> ''`,
  `INSERT OR IGNORE INTO batch_gear (batch_code, kind, gear)
   SELECT code, 'vessel', json_extract(document, '$.pressure.vessel') FROM batches WHERE json_extract(document, '$.pressure.vessel') <> ''`,
  `INSERT OR IGNORE INTO batch_gear (batch_code, kind, gear)
   SELECT b.code, 'device', json_extract(r.value, '$.device') FROM batches b, json_each(b.document, '$.readings') r
   WHERE json_type(r.value) = 'object' AND json_extract(r.value, '$.device') <> ''`,
  // The highest number that was given is found at once, however long the log.
  'CREATE INDEX batch_history_by_length ON batch_history (LENGTH(batch_code), batch_code)',
];

export const broughtIn: Migration = {
  name: '0013-brought-in',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of STATEMENTS) await sequelize.query(statement, { transaction });
    });
  },
};
