import { openDatabase, type Database } from './database';

/** Settings that are this machine's and not the studio's: what a backup of another machine says of them is not asked. */
const KEYS = ['backup', 'backup-failure'];

export type MachineSettings = readonly { readonly key: string; readonly value: string }[];

export const machineSettings = async ({ models }: Pick<Database, 'models'>): Promise<MachineSettings> =>
  (await models.settings.findAll({ where: { key: KEYS } })).map(({ key, value }) => ({ key, value }));

/** Puts this machine's settings in place of those that came with a copy. */
export async function keepMachineSettings(file: string, own: MachineSettings): Promise<void> {
  const database = await openDatabase(file);
  try {
    await database.write(async (transaction) => {
      await database.models.settings.destroy({ where: { key: KEYS }, transaction });
      await database.models.settings.bulkCreate([...own], { transaction });
    });
  } finally {
    await database.close();
  }
}
