import { packFacts, type BatchFacts } from '@warm-jar/core';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import type { Migration } from './migration';

/** Rows that are packed at once. */
const AT_ONCE = 1_000;

/**
 * The facts of a row as words of letters and digits alone (`0010-words`), where a casting's facts are kept as a merge
 * patch of its batch's.
 */
export const levelsOf = (facts: string) => {
  const isWhole = `COALESCE(json_array_length(${facts}, '$.castings'), 0) = 0`;
  const castings = `(SELECT json_patch(json_remove(${facts}, '$.castings'), p.value) AS value
    FROM json_each(${facts}, '$.castings') p) k`;
  return `(SELECT group_concat(word, ' ') FROM (
    SELECT hex(l.key || ':' || l.value) AS word FROM json_each(${facts}, '$.levels') l WHERE ${isWhole}
    UNION SELECT 'whole' WHERE ${isWhole}
    UNION SELECT hex(l.key || ':' || l.value) FROM ${castings}, json_each(k.value, '$.levels') l
    UNION SELECT hex(l.key || ':' || l.value || '|' || s.value) FROM ${castings}, json_each(k.value, '$.levels') l, json_each(k.value, '$.seen') s
    UNION SELECT hex('#' || m.value) FROM json_each(${facts}, '$.limits') m
    UNION SELECT hex('#' || m.value) FROM ${castings}, json_each(k.value, '$.limits') m
    UNION SELECT 'near' WHERE instr(${facts}, ':near"') > 0
    UNION SELECT 'looked' || COALESCE(json_extract(${facts}, '$.looked'), 0)
  ))`;
};
/** The number of a row that a trigger sees: it is given after the row came. */
const numberOf = (code: string) => `(SELECT number FROM batches WHERE code = ${code})`;
const toldOf = (code: string) =>
  `INSERT OR REPLACE INTO fact_changes (code, at) VALUES (${code}, (SELECT COALESCE(MAX(at), 0) + 1 FROM fact_changes))`;

const DROPPED = ['DROP TRIGGER batch_words_in', 'DROP TRIGGER batch_levels_changed'];

const TRIGGERS = [
  `CREATE TRIGGER batch_words_in AFTER INSERT ON batches BEGIN
    UPDATE batches SET number = COALESCE((SELECT MAX(number) FROM batches), 0) + 1 WHERE code = NEW.code;
    INSERT INTO batch_words (rowid, words) VALUES (${numberOf('NEW.code')}, NEW.search);
    INSERT INTO batch_levels (rowid, levels) SELECT ${numberOf('NEW.code')}, ${levelsOf('NEW.facts')} WHERE NEW.facts IS NOT NULL;
  END`,
  `CREATE TRIGGER batch_levels_changed AFTER UPDATE OF facts ON batches WHEN NEW.facts IS NOT OLD.facts BEGIN
    DELETE FROM batch_levels WHERE rowid = ${numberOf('NEW.code')};
    INSERT INTO batch_levels (rowid, levels) SELECT ${numberOf('NEW.code')}, ${levelsOf('NEW.facts')} WHERE NEW.facts IS NOT NULL;
  END`,
  // Which batches have other facts than before, newest last: what was learned takes up these, and not the whole log.
  'CREATE TABLE fact_changes (code TEXT PRIMARY KEY, at INTEGER NOT NULL) WITHOUT ROWID',
  'CREATE UNIQUE INDEX fact_changes_in_order ON fact_changes (at)',
  `CREATE TRIGGER facts_come AFTER INSERT ON batches BEGIN ${toldOf('NEW.code')}; END`,
  `CREATE TRIGGER facts_change AFTER UPDATE OF facts, started_at ON batches
    WHEN NEW.facts IS NOT OLD.facts OR NEW.started_at IS NOT OLD.started_at BEGIN ${toldOf('NEW.code')}; END`,
  `CREATE TRIGGER facts_go AFTER DELETE ON batches BEGIN ${toldOf('OLD.code')}; END`,
];

/** Each row's facts as they are kept from now on. Words and order stay: they say the same. */
async function pack(sequelize: Sequelize, transaction: Transaction): Promise<void> {
  for (let after = ''; ;) {
    const rows = await sequelize.query<{ code: string; facts: string }>(
      'SELECT code, facts FROM batches WHERE code > ? AND facts IS NOT NULL ORDER BY code LIMIT ?',
      { type: QueryTypes.SELECT, replacements: [after, AT_ONCE], transaction },
    );
    const last = rows.at(-1);
    if (!last) return;
    const anew = rows.map(({ code, facts }) => [code, JSON.stringify(packFacts(JSON.parse(facts) as BatchFacts))]);
    await sequelize.query(
      `UPDATE batches SET facts = json_extract(a.value, '$[1]')
       FROM json_each(?) a WHERE batches.code = json_extract(a.value, '$[0]')`,
      { replacements: [JSON.stringify(anew)], transaction },
    );
    after = last.code;
  }
}

export const keptFacts: Migration = {
  name: '0012-kept-facts',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of DROPPED) await sequelize.query(statement, { transaction });
      await pack(sequelize, transaction);
      for (const statement of TRIGGERS) await sequelize.query(statement, { transaction });
    });
  },
};
