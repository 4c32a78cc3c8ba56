import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { batchListQuerySchema, saltmarshCard, soundBatch } from '@warm-jar/core';
import { QueryTypes } from 'sequelize';
import { afterEach, describe, expect, it } from 'vitest';
import { batchStore } from './batchStore';
import { checkStore } from './checkStore';
import { openDatabase, type Database } from './database';
import { factStore } from './factStore';
import { MIGRATIONS } from './migrations';
import { productStore } from './productStore';

let [folder, database]: [string, Database | null] = ['', null];
afterEach(async () => {
  await database?.close();
  database = null;
  rmSync(folder, { recursive: true, force: true });
});

const old = soundBatch('house-clear-6', {
  code: 'B-0007',
  startedAt: '2026-03-14T09:20:00+01:00',
  copiedFrom: { code: 'B-0003', changes: [] },
  note: 'finials',
  checks: [{ afterH: 24, symptoms: [{ kind: 'bubbles', pattern: 'micro-throughout' }], grade: 'second' }],
});

/** A studio as the first version left it: one card, one batch, the columns there were then. */
async function firstVersion(upTo: number): Promise<Database> {
  folder = mkdtempSync(join(tmpdir(), 'warm-jar-'));
  const db = await openDatabase(join(folder, 'studio.sqlite'), { migrate: false });
  await db.sequelize.query('CREATE TABLE migrations (name TEXT PRIMARY KEY, applied_at TEXT NOT NULL)');
  const apply = async (from: number, to: number) => {
    for (const { name, up } of MIGRATIONS.slice(from, to)) {
      await up(db.sequelize);
      await db.sequelize.query('INSERT INTO migrations VALUES (?, ?)', { replacements: [name, '2026'] });
    }
  };
  await apply(0, 1);
  const card = saltmarshCard('house-clear-6');
  const put = (sql: string, replacements: unknown[]) => db.sequelize.query(sql, { replacements });
  await put('INSERT INTO products VALUES (?, 1, ?)', [card.slug, '2026']);
  await put('INSERT INTO product_revisions VALUES (?, 1, ?, ?, ?, ?)', [
    card.slug,
    card.name,
    card.family,
    JSON.stringify(card),
    '2026',
  ]);
  await put(
    'INSERT INTO batches (code, version, product_slug, product_revision, started_at, by, mould, stage, grade, outside, search, document, created_at, updated_at) VALUES (?, 1, ?, 1, ?, ?, ?, ?, ?, 0, ?, ?, ?, ?)',
    [
      'B-0007',
      card.slug,
      '2026-03-14T08:20:00.000Z',
      'KO',
      'M-12',
      'done',
      'second',
      'b-0007 finials',
      JSON.stringify(old),
      '2026',
      '2026',
    ],
  );
  await put('INSERT INTO batch_symptoms (batch_code, kind, pattern) VALUES (?, ?, ?)', [
    'B-0007',
    'bubbles',
    'micro-throughout',
  ]);
  await put(
    "INSERT INTO batch_history (batch_code, version, at, action, changed_fields, document) VALUES (?, 1, ?, 'created', '[]', ?)",
    ['B-0007', '2026', JSON.stringify(old)],
  );
  await apply(1, upTo);
  return db;
}

describe.each(MIGRATIONS.map((m, i) => [m.name, i + 1] as const))('a studio left at %s', (_name, upTo) => {
  it('comes up to this version with its batch whole, in every list it belongs to', async () => {
    database = await firstVersion(upTo);
    await database.migrate();
    const products = productStore(database);
    const batches = batchStore(database, products);
    const facts = factStore(database, products);
    expect((await batches.get('B-0007')).batch).toEqual(old);
    expect(await facts.fill()).toBe(1);
    expect(await facts.fill()).toBe(0);
    const listed = async (query: Record<string, string>) =>
      (await batches.list(batchListQuerySchema.parse(query))).items.map((b) => b.code);
    const queries: Record<string, string>[] = [
      { symptom: 'bubbles' },
      { mould: 'M-12' },
      { grade: 'second' },
      { fact: 'season:03' },
      { lot: old.lotB!.code! },
      { search: 'finials' },
      { looked: 'yes' },
    ];
    for (const query of queries) expect(await listed(query), JSON.stringify(query)).toEqual(['B-0007']);
    const [item] = (await batches.list(batchListQuerySchema.parse({}))).items;
    expect(item).toMatchObject({ note: 'finials', lotA: old.lotA!.code });
    expect(item!.massG).toBeCloseTo(200, 6);
    const [row] = await database.sequelize.query<{ copied_from: string }>('SELECT copied_from FROM batches', {
      type: QueryTypes.SELECT,
    });
    expect(row!.copied_from).toBe('B-0003');
    expect((await checkStore(database).due(new Date('2026-03-14'), new Date('2027-03-14'))).map((c) => c.code)).toEqual(
      ['B-0007'],
    );
    // It can be written to as any other.
    expect((await batches.replace('B-0007', 1, { ...old, note: 'looked at again' })).version).toBe(2);
  });
});
