import { QueryTypes } from 'sequelize';
import { openDatabase, type Database } from './database';

/** Settings that are this machine's and not the studio's: what a copy from elsewhere says of them is not asked. */
const KEYS = ['backup', 'backup-failure', 'calendar'];
/** A copy that says which studio it is of stays that one; an older one is taken for this machine's. */
const WHICH = 'studio-id';
/** Who may come in here and who did what, in the order they lean on each other. A copy lets nobody in. */
const TABLES = ['people', 'sessions', 'device_tokens', 'deeds'] as const;

type Row = Readonly<Record<string, string | number | null>>;

/** What stays when the studio is replaced by a copy. */
export interface MachineSettings {
  readonly settings: readonly { readonly key: string; readonly value: string }[];
  readonly tables: Readonly<Record<(typeof TABLES)[number], readonly Row[]>>;
}

export async function machineSettings({ models, sequelize }: Database): Promise<MachineSettings> {
  const settings = await models.settings.findAll({ where: { key: [...KEYS, WHICH] } });
  const tables = await Promise.all(
    TABLES.map(async (table) => [
      table,
      await sequelize.query<Row>(`SELECT * FROM ${table}`, { type: QueryTypes.SELECT }),
    ]),
  );
  return {
    settings: settings.map(({ key, value }) => ({ key, value })),
    tables: Object.fromEntries(tables) as MachineSettings['tables'],
  };
}

/**
 * Puts this machine's settings in place of those that came with a copy. Where nobody is set up here, the people of the
 * copy are taken on, but none of their devices.
 */
export async function keepMachineSettings(file: string, own: MachineSettings): Promise<void> {
  const database = await openDatabase(file);
  const keepOwn = own.tables.people.length > 0;
  try {
    await database.write(async (transaction) => {
      await database.models.settings.destroy({ where: { key: KEYS }, transaction });
      const said = await database.models.settings.findByPk(WHICH, { transaction });
      const kept = own.settings.filter(({ key }) => key !== WHICH || said === null);
      await database.models.settings.bulkCreate(kept, { transaction });
      for (const table of keepOwn ? [...TABLES].reverse() : ['sessions', 'device_tokens'])
        await database.sequelize.query(`DELETE FROM ${table}`, { transaction });
      if (!keepOwn) return;
      for (const table of TABLES)
        for (const row of own.tables[table]) {
          const columns = Object.keys(row);
          await database.sequelize.query(
            `INSERT INTO ${table} (${columns.join(', ')}) VALUES (${columns.map(() => '?').join(', ')})`,
            { replacements: Object.values(row), transaction },
          );
        }
    });
  } finally {
    await database.close();
  }
}
