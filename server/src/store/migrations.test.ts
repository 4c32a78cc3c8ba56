import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { batchFacts, batchListQuerySchema, saltmarshCard, soundBatch } from '@warm-jar/core';
import { QueryTypes } from 'sequelize';
import { afterEach, describe, expect, it } from 'vitest';
import { entriesOf } from '../work/logFeed';
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

const MADE = '2026-03-15T08:20:00.000Z';
/** One that told its castings apart before there was a table of them. */
const four = soundBatch('house-clear-6', {
  code: 'B-0009',
  startedAt: MADE,
  castings: [
    { id: 'k1', mould: { code: 'M-12', cavity: 1 } },
    { id: 'k2', mould: { code: 'M-17', cavity: 1 }, reason: 'void at the tip', price: 12 },
    { id: 'k3', mould: { code: 'M-17', cavity: 2 }, grade: 'scrap' },
  ],
  checks: [
    { afterH: 24, symptoms: [], grade: 'pass' },
    { afterH: 26, casting: 'k2', symptoms: [{ kind: 'bubbles', pattern: 'large-voids' }], grade: 'second' },
  ],
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
  await put(
    'INSERT INTO batches (code, version, product_slug, product_revision, started_at, by, mould, stage, grade, outside, search, document, created_at, updated_at) VALUES (?, 1, ?, 1, ?, ?, ?, ?, ?, 0, ?, ?, ?, ?)',
    ['B-0009', card.slug, MADE, 'KO', 'M-12', 'done', 'pass', 'b-0009', JSON.stringify(four), '2026', '2026'],
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
    const facts = factStore(database, products, tmpdir());
    expect((await batches.get('B-0007')).batch).toEqual(old);
    expect(await facts.fill()).toBe(2);
    expect(await facts.fill()).toBe(0);
    const listed = async (query: Record<string, string>) =>
      (await batches.list(batchListQuerySchema.parse(query))).items.map((b) => b.code);
    const [both, theOld, theNew] = [['B-0009', 'B-0007'], ['B-0007'], ['B-0009']];
    const queries: readonly [Record<string, string>, string[]][] = [
      [{ symptom: 'bubbles' }, theOld],
      [{ mould: 'M-12' }, both],
      [{ mould: 'M-17' }, theNew],
      [{ mould: 'M-12', grade: 'second' }, theOld],
      [{ mould: 'M-17', cavity: '2', grade: 'scrap' }, theNew],
      [{ reason: 'Tip' }, theNew],
      [{ grade: 'second' }, both],
      [{ fact: 'season:03' }, both],
      [{ fact: 'cavity:M-17/2' }, theNew],
      [{ lot: old.lotB!.code! }, both],
      [{ search: 'finials' }, theOld],
      [{ looked: 'yes' }, both],
    ];
    for (const [query, found] of queries) expect(await listed(query), JSON.stringify(query)).toEqual(found);
    const { items } = await batches.list(batchListQuerySchema.parse({}));
    expect(items.map((i) => i.castings.map((k) => `${k.casting} ${k.mould} ${k.cavity} ${k.grade}`))).toEqual([
      ['k1 M-12 1 pass', 'k2 M-17 1 second', 'k3 M-17 2 scrap'],
      [],
    ]);
    const item = items.find((i) => i.code === 'B-0007');
    expect(item).toMatchObject({ note: 'finials', lotA: old.lotA!.code });
    expect(item!.massG).toBeCloseTo(200, 6);
    const [row] = await database.sequelize.query<{ copied_from: string }>(
      'SELECT copied_from FROM batches ORDER BY code',
      {
        type: QueryTypes.SELECT,
      },
    );
    expect(row!.copied_from).toBe('B-0003');
    expect(
      (await checkStore(database).due(new Date('2026-03-14'), new Date('2027-03-14'))).map((c) => c.code),
    ).toContain('B-0007');
    // It can be written to as any other.
    expect((await batches.replace('B-0007', 1, { ...old, note: 'looked at again' })).version).toBe(2);
  });
});

describe('what an earlier version kept of each batch', () => {
  const card = saltmarshCard('house-clear-6');
  const turned = soundBatch('house-clear-6', {
    ...four,
    mix: { scale: 'SC-1' },
    outcome: [{ symptom: 'bubbles', cause: 'damp-resin', how: 'test' }],
  });
  const listed = async (batches: ReturnType<typeof batchStore>, query: Record<string, string>) =>
    (await batches.list(batchListQuerySchema.parse(query))).items.map((b) => b.code);
  /** A studio at the version before a step, with a batch as that version stored it. */
  async function before(step: string, facts: string | null): Promise<void> {
    database = await firstVersion(MIGRATIONS.findIndex((m) => m.name === step));
    await database.sequelize.query('UPDATE batches SET document = ?, facts = ? WHERE code = ?', {
      replacements: [JSON.stringify(turned), facts, 'B-0009'],
    });
    await database.migrate();
  }
  it('is packed, and says the same: to what is learned, and to the filters of the log', async () => {
    const facts = batchFacts(card, turned);
    await before('0012-kept-facts', JSON.stringify(facts));
    const products = productStore(database!);
    const [batches, store] = [batchStore(database!, products), factStore(database!, products, tmpdir())];
    const told = [];
    for await (const change of store.feed.since(null, true)) told.push(...entriesOf(change));
    expect(told.find((e) => e.code === 'B-0009')!.facts).toEqual(JSON.parse(JSON.stringify(facts)));
    const [row] = await database!.sequelize.query<{ facts: string }>(
      "SELECT facts FROM batches WHERE code = 'B-0009'",
      {
        type: QueryTypes.SELECT,
      },
    );
    expect(row!.facts.length).toBeLessThan(JSON.stringify(facts).length);
    // Those laid down before the step, and those that a change lays down after it, by patches.
    const filters: Record<string, string>[] = [{ fact: 'cavity:M-17/2' }, { fact: 'cavity:M-17/1' }, { looked: 'yes' }];
    for (const filter of filters) expect(await listed(batches, filter), JSON.stringify(filter)).toContain('B-0009');
    await batches.replace('B-0009', 1, { ...turned, by: 'MT' });
    for (const filter of [...filters, { fact: 'person:MT' }, { fact: 'cavity:M-17/1', symptom: 'bubbles' }])
      expect(await listed(batches, filter), JSON.stringify(filter)).toContain('B-0009');
    expect(await listed(batches, { fact: 'cavity:M-12/1', symptom: 'bubbles' })).not.toContain('B-0009');
  });
  it('of one that was brought in has its outcomes and its gear from then on', async () => {
    await before('0013-brought-in', null);
    const batches = batchStore(database!, productStore(database!));
    expect(await listed(batches, { outcome: 'damp-resin' })).toEqual(['B-0009']);
    expect(await listed(batches, { gear: 'SC-1' })).toEqual(['B-0009']);
  });
});
