import { copyFileSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { saltmarshCard, soundBatch } from '@warm-jar/core';
import { QueryTypes, type Transaction } from 'sequelize';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { batchStore } from './batchStore';
import { openDatabase, type Database } from './database';
import { productStore } from './productStore';

let folder: string;
let database: Database;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'warm-jar-'));
  database = await openDatabase(join(folder, 'studio.sqlite'));
});
afterEach(async () => {
  await database.close();
  rmSync(folder, { recursive: true, force: true });
});

const pragma = async (name: string, transaction?: Parameters<Parameters<Database['write']>[0]>[0]) => {
  const rows = await database.sequelize.query(`PRAGMA ${name}`, {
    type: QueryTypes.SELECT,
    ...(transaction ? { transaction } : {}),
  });
  return Object.values(rows[0] as Record<string, unknown>)[0];
};

describe('the database', () => {
  it('is in WAL, fully synchronous, with foreign keys, also inside a transaction', async () => {
    expect(await pragma('journal_mode')).toBe('wal');
    for (const name of ['synchronous', 'foreign_keys'] as const) {
      const expected = name === 'synchronous' ? 2 : 1;
      expect(await pragma(name)).toBe(expected);
      expect(await database.write((t) => pragma(name, t))).toBe(expected);
    }
  });

  it('writes over one connection, which the next write finds as the last one left it: with nothing under way', async () => {
    const used = new Set<unknown>();
    const seen = (transaction: Transaction) => {
      used.add((transaction as unknown as { connection: unknown }).connection);
      return pragma('foreign_keys', transaction);
    };
    await database.write(seen);
    await expect(
      database.write(async (t) => {
        await seen(t);
        await database.sequelize.query("INSERT INTO settings (key, value) VALUES ('half', '1')", { transaction: t });
        throw new Error('no more');
      }),
    ).rejects.toThrow('no more');
    expect(await database.write(seen)).toBe(1);
    expect(used.size).toBe(1);
    expect(await database.sequelize.query("SELECT * FROM settings WHERE key = 'half'")).toEqual([
      [],
      expect.anything(),
    ]);
    // Others may open one of their own meanwhile; what is left over is closed.
    const own = () => database.sequelize.transaction((t) => seen(t));
    await Promise.all([database.write(seen), own(), own()]);
    expect(used.size).toBeGreaterThan(1);
    await database.close();
    expect(readdirSync(folder)).toEqual(['studio.sqlite']);
    database = await openDatabase(join(folder, 'studio.sqlite'));
  });
  it('keeps no connection of a write that was still under way as it was closed', async () => {
    const late = await database.sequelize.transaction();
    const { connection } = late as unknown as { connection: { open: boolean } };
    expect(connection.open).toBe(true);
    await database.close();
    await vi.waitFor(
      () => {
        expect(connection.open).toBe(false);
      },
      { timeout: 10_000 },
    );
    database = await openDatabase(join(folder, 'studio.sqlite'));
  });
  it('waits for no disk where its data are thrown away before they are opened again', async () => {
    const other = await openDatabase(join(folder, 'demo.sqlite'), { disposable: true });
    const asked = async () => {
      const [rows] = await other.sequelize.query('PRAGMA synchronous');
      return (rows as { synchronous: number }[])[0]!.synchronous;
    };
    expect([await asked(), await other.write(asked)]).toEqual([0, 0]);
    await other.close();
  });
  it('lets a write that is under way go first, and waits for no long one', async () => {
    const order: string[] = [];
    const sleep = (ms: number) => new Promise((done) => setTimeout(done, ms));
    const write = async (what: string, ms: number) => {
      let ended = Promise.resolve();
      await new Promise<void>((begun) => {
        ended = database.write(async () => {
          begun();
          await sleep(ms);
          order.push(what);
        });
      });
      return { ended };
    };
    const read = (what: string) => database.letWriteGo().then(() => order.push(what));
    await read('nothing is written');
    const short = await write('a short write', 1);
    await read('read beside it');
    const long = await write('a long write', 600);
    await read('read beside a long one');
    await Promise.all([short.ended, long.ended]);
    const failing = database.write(() => Promise.reject(new Error('refused')));
    await Promise.allSettled([failing, read('read beside one that fails')]);
    expect(order).toEqual([
      'nothing is written',
      'a short write',
      'read beside it',
      'read beside a long one',
      'a long write',
      'read beside one that fails',
    ]);
  });
  it('takes no trace for each statement, tells what was wrong with one, and leaves all other errors their trace', async () => {
    const wrong: unknown = await database.sequelize.query('SELECT 1 FROM nowhere').catch((error: unknown) => error);
    expect(wrong).toMatchObject({ message: 'SQLITE_ERROR: no such table: nowhere', sql: 'SELECT 1 FROM nowhere' });
    expect((wrong as Error).stack).not.toContain('    at ');
    expect(new Error('ours').stack).toContain('database.test');
  });
  it('answers what is asked while a long question is worked at, and a search sees what was just written', async () => {
    const searching = database.searched.batches.sequelize!;
    const counted =
      'WITH RECURSIVE c(x) AS (SELECT 1 UNION ALL SELECT x + 1 FROM c WHERE x < 2000000) SELECT count(*) FROM c';
    const order: string[] = [];
    await Promise.all([
      searching.query(counted).then(() => order.push('long')),
      pragma('journal_mode').then(() => order.push('short')),
    ]);
    expect(order).toEqual(['short', 'long']);
    const products = productStore(database);
    await products.addAll([saltmarshCard('house-clear-6')]);
    await batchStore(database, products).create(soundBatch('house-clear-6', { code: 'B-0001' }));
    expect(await database.searched.batches.count()).toBe(1);
  });
  it('applies its migrations once', async () => {
    const names = async () => (await database.sequelize.query('SELECT name FROM migrations'))[0];
    expect(await names()).toEqual([
      { name: '0001-first-schema' },
      { name: '0002-shelf' },
      { name: '0003-bench-entries' },
      { name: '0004-checks' },
      { name: '0005-learning' },
      { name: '0006-access' },
      { name: '0007-castings' },
      { name: '0008-outcomes' },
      { name: '0009-imports' },
      { name: '0010-words' },
      { name: '0011-drills' },
      { name: '0012-kept-facts' },
      { name: '0013-brought-in' },
      { name: '0014-kept-parts' },
      { name: '0015-longer-indexes' },
      { name: '0016-marks' },
      { name: '0017-one-index' },
      { name: '0018-counted-by-parts' },
    ]);
    await database.close();
    database = await openDatabase(join(folder, 'studio.sqlite'));
    expect(await names()).toHaveLength(18);
  });

  it('refuses to change or remove a revision, and a batch of a card it does not have', async () => {
    const products = productStore(database);
    await products.add(saltmarshCard('house-tide'));
    await expect(database.sequelize.query("UPDATE product_revisions SET name = 'x'")).rejects.toThrow();
    await expect(database.sequelize.query('DELETE FROM product_revisions')).rejects.toThrow();
    expect(await products.get('house-tide', 1)).toEqual(saltmarshCard('house-tide'));
    await expect(
      database.sequelize.query(
        "INSERT INTO batches (code, version, product_slug, product_revision, stage, outside, search, document, created_at, updated_at) VALUES ('B-1', 1, 'house-tide', 7, 'weigh', 0, '', '{}', '', '')",
      ),
    ).rejects.toThrow(/FOREIGN KEY/);
  });

  it('holds everything in its one file once it is closed', async () => {
    await productStore(database).add(saltmarshCard('house-tide'));
    await database.close();
    copyFileSync(join(folder, 'studio.sqlite'), join(folder, 'copy.sqlite'));
    database = await openDatabase(join(folder, 'copy.sqlite'));
    expect(await productStore(database).get('house-tide')).toEqual(saltmarshCard('house-tide'));
  });

  it('leaves nothing behind of a write that fails half-way', async () => {
    const products = productStore(database);
    await products.add(saltmarshCard('house-tide'));
    const batches = batchStore(database, products);
    await expect(
      database.write(async (transaction) => {
        await database.sequelize.query(
          "INSERT INTO batch_history (batch_code, version, at, action, changed_fields, document) VALUES ('B-9', 1, '', 'created', '[]', '{}')",
          { transaction },
        );
        throw new Error('power cut');
      }),
    ).rejects.toThrow('power cut');
    await expect(batches.history('B-9')).rejects.toThrow(/not found/);
  });

  it('takes symptoms away with their batch', async () => {
    const products = productStore(database);
    await products.add(saltmarshCard('house-tide'));
    const batches = batchStore(database, products);
    await batches.create(
      soundBatch('house-tide', {
        code: 'B-0001',
        checks: [{ afterH: 2, symptoms: [{ kind: 'cracks', pattern: 'unspecified' }] }],
      }),
    );
    await batches.remove('B-0001', 1);
    expect((await database.sequelize.query('SELECT * FROM batch_symptoms'))[0]).toEqual([]);
  });
});
