import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  saltmarshCard,
  saltmarshGear,
  saltmarshInclusions,
  saltmarshLots,
  saltmarshMoulds,
  soundBatch,
  type Problem,
} from '@warm-jar/core';
import { QueryTypes, Sequelize } from 'sequelize';
import sharp from 'sharp';
import sqlite3 from 'sqlite3';
import request from 'supertest';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openDatabase } from './store/database';
import { firstSchema } from './store/migrations/0001-first-schema';
import { testStudio, type TestStudio } from './testStudio';

const now = new Date('2026-03-14T10:00:00Z');
let studio: TestStudio;
beforeEach(async () => {
  studio = await testStudio();
});
afterEach(async () => {
  expect(studio.failures).toEqual([]);
  await studio.remove();
});
const api = () => request(studio.app);
const paths = (response: { body: unknown }) => (response.body as Problem).error.issues.map((i) => i.path);
const lot = (slug: string, part: 'A' | 'B') =>
  saltmarshLots(now).find((l) => l.productSlug === slug && l.part === part)!;

describe('the whole shelf', () => {
  it('says in one answer what each list says by itself', async () => {
    for (const one of saltmarshLots(now).slice(0, 3)) await api().post('/api/v1/lots').send(one).expect(201);
    for (const one of saltmarshMoulds().slice(0, 3)) await api().post('/api/v1/moulds').send(one).expect(201);
    for (const one of saltmarshInclusions(now).slice(0, 2))
      await api().post('/api/v1/inclusions').send(one).expect(201);
    for (const one of saltmarshGear(now).slice(0, 4)) await api().post('/api/v1/gear').send(one).expect(201);
    await api()
      .post('/api/v1/batches')
      .send(soundBatch('house-clear-6', { code: 'B-0001', mix: { amountA: 150, amountB: 123 } }))
      .expect(201);
    const { body } = await api().get('/api/v1/shelf').expect(200);
    const whole = body as Record<string, unknown[]>;
    expect(Object.keys(whole).sort()).toEqual(['additives', 'gear', 'inclusions', 'lots', 'moulds']);
    for (const [place, items] of Object.entries(whole))
      expect(items, place).toEqual(((await api().get(`/api/v1/${place}`)).body as { items: unknown[] }).items);
    expect([whole['lots'], whole['moulds'], whole['inclusions'], whole['gear']].map((l) => l!.length)).toEqual([
      3, 3, 2, 4,
    ]);
  });
});

describe('lots', () => {
  it('run down as batches pour from them, and fill up again when a batch is deleted', async () => {
    const a = { ...lot('house-clear-6', 'A'), code: 'A-77', quantityG: 1000 };
    await api().post('/api/v1/lots').send(a).expect(201);
    const left = async () =>
      ((await api().get('/api/v1/lots')).body as { items: { leftG: number; usedG: number; batches: number }[] })
        .items[0]!;
    expect(await left()).toMatchObject({ leftG: 1000, usedG: 0, batches: 0 });
    await api()
      .post('/api/v1/batches')
      .send(soundBatch('house-clear-6', { code: 'B-0001', mix: { amountA: 150, amountB: 123 } }))
      .expect(201);
    await api()
      .post('/api/v1/batches')
      .send(soundBatch('house-tide', { code: 'B-0002' }))
      .expect(201);
    expect(await left()).toMatchObject({ leftG: 850, usedG: 150, batches: 1 });
    await api().delete('/api/v1/batches/B-0001').set('If-Match', '"1"').expect(204);
    expect(await left()).toMatchObject({ leftG: 1000, batches: 0 });
  });
  it('belong to a card, have their own code, and refuse what cannot be at its field', async () => {
    expect(
      paths(
        await api()
          .post('/api/v1/lots')
          .send({ ...lot('house-tide', 'A'), productSlug: 'house-nowhere' }),
      ),
    ).toEqual(['productSlug']);
    await api().post('/api/v1/lots').send(lot('house-tide', 'A')).expect(201);
    expect(paths(await api().post('/api/v1/lots').send(lot('house-tide', 'A')))).toEqual(['code']);
    expect(
      paths(
        await api()
          .post('/api/v1/lots')
          .send({ ...lot('house-tide', 'A'), code: 'A-2', quantityG: -3, openedOn: '2026-13-01' }),
      ).sort(),
    ).toEqual(['openedOn', 'quantityG']);
  });
});

describe('moulds and the rest of the shelf', () => {
  it('know their pulls and what the latest took, by the log', async () => {
    await api()
      .post('/api/v1/moulds')
      .send(saltmarshMoulds().find((m) => m.code === 'M-12')!)
      .expect(201);
    await api()
      .post('/api/v1/batches')
      .send(soundBatch('house-clear-6', { code: 'B-0001', mix: { amountA: 150, amountB: 123 } }))
      .expect(201);
    const { items } = (await api().get('/api/v1/moulds')).body as { items: object[] };
    expect(items).toEqual([
      expect.objectContaining({ pulls: 1, masses: [{ productSlug: 'house-clear-6', massG: 273 }] }),
    ]);
  });
  it('are changed only from the version that was read, and taken off the shelf', async () => {
    const [wrack] = saltmarshInclusions(now);
    await api().post('/api/v1/inclusions').send(wrack).expect(201);
    const changed = { ...wrack, moisturePct: 5 };
    await api().put('/api/v1/inclusions/I-01').send(changed).expect(428);
    await api().put('/api/v1/inclusions/I-01').set('If-Match', '"1"').send(changed).expect(200).expect('ETag', '"2"');
    await api().put('/api/v1/inclusions/I-01').set('If-Match', '"1"').send(changed).expect(409);
    expect(((await api().get('/api/v1/inclusions/I-01')).body as { moisturePct: number }).moisturePct).toBe(5);
    await api().delete('/api/v1/inclusions/I-01').set('If-Match', '"2"').expect(204);
    await api().get('/api/v1/inclusions/I-01').expect(404);
  });
  it('refuse a vessel without a rating', async () => {
    const vessel = saltmarshGear(now).find((g) => g.kind === 'pressure-vessel')!;
    expect(
      paths(
        await api()
          .post('/api/v1/gear')
          .send({ ...vessel, ratedKPa: null }),
      ),
    ).toEqual(['ratedKPa']);
    await api().post('/api/v1/gear').send(vessel).expect(201);
  });
  it('refuse a batch pressed above the rating of its vessel, or past its inspection', async () => {
    const vessel = {
      ...saltmarshGear(now).find((g) => g.kind === 'pressure-vessel')!,
      code: 'G-09',
      ratedKPa: 350,
      inspectionDue: '2026-04-01',
    };
    await api().post('/api/v1/gear').send(vessel).expect(201);
    const pressed = (gaugeKPa: number, startedAt: string) =>
      api()
        .post('/api/v1/batches')
        .send(soundBatch('house-clear-6', { code: null, startedAt, pressure: { gaugeKPa, vessel: 'G-09' } }));
    const over = await pressed(351, '2026-03-14T10:00:00+00:00');
    expect([over.status, (over.body as Problem).error.code, paths(over)]).toEqual([
      400,
      'over-rating',
      ['pressure.gaugeKPa'],
    ]);
    expect(((await pressed(340, '2026-05-14T10:00:00+00:00')).body as Problem).error.code).toBe('inspection-overdue');
    expect((await pressed(350, '2026-03-14T10:00:00+00:00')).status).toBe(201);
  });
});

describe('search', () => {
  it('finds each kind by words, the whole code first, and nothing for nothing', async () => {
    await api().post('/api/v1/lots').send(lot('house-tide', 'A')).expect(201);
    await api()
      .post('/api/v1/moulds')
      .send(saltmarshMoulds().find((m) => m.code === 'M-12')!)
      .expect(201);
    await api().post('/api/v1/inclusions').send(saltmarshInclusions(now)[1]!).expect(201);
    await api()
      .post('/api/v1/batches')
      .send(soundBatch('house-tide', { code: 'B-0007', note: 'finials for the pier' }))
      .expect(201);
    const find = async (q: string) =>
      ((await api().get('/api/v1/search').query({ q })).body as { items: { kind: string; code: string }[] }).items.map(
        (f) => `${f.kind} ${f.code}`,
      );
    expect(await find('tide')).toEqual(expect.arrayContaining(['product house-tide', 'lot A-74', 'batch B-0007']));
    expect(await find('finials')).toEqual(['batch B-0007', 'mould M-12']);
    expect((await find('m-12'))[0]).toBe('mould M-12');
    expect(await find('BLADDER dried')).toEqual(['inclusion I-02']);
    expect(await find('  ')).toEqual([]);
    expect(await find("' OR 1=1")).toEqual([]);
  });
});

describe('bringing in cards', () => {
  const tide = () => ({ ...saltmarshCard('house-tide') });
  const bring = (rows: object[], query: object = {}) =>
    api().post('/api/v1/products/import').query(query).send({ rows });
  const actions = (r: { body: unknown }) =>
    (r.body as { rows: { action: string; revision: number | null; changed: string[] }[] }).rows;
  it('tells what each row would do, and does nothing yet', async () => {
    const answer = await bring([
      tide(),
      { ...tide(), slug: 'house-new', revision: 4 },
      { ...saltmarshCard('house-shell'), exothermMaxC: 95 },
      { slug: 'house-bad', name: 'Bad', format: 'warm-jar.product/1', family: 'wax' },
      tide(),
    ]);
    expect(actions(answer).map((r) => [r.action, r.revision])).toEqual([
      ['same', 1],
      ['new', 1],
      ['next-revision', 2],
      ['refused', null],
      ['refused', null],
    ]);
    expect(actions(answer)[2]!.changed).toEqual(['exothermMaxC']);
    expect(((await api().get('/api/v1/products')).body as { items: object[] }).items).toHaveLength(11);
  });
  it('refuses a card whose two ratios contradict, at its field, however it comes', async () => {
    const odd = {
      ...saltmarshCard('house-deep-40'),
      slug: 'house-odd',
      ratio: { byWeight: { a: 100, b: 44 }, byVolume: { a: 2, b: 1.3 }, tolerancePct: 3 },
    };
    expect(paths(await api().post('/api/v1/products').send(odd))).toEqual(['ratio.byVolume.b']);
    const row = (await bring([odd])).body as { rows: { action: string; issues: { path: string }[] }[] };
    expect(row.rows[0]).toMatchObject({ action: 'refused', issues: [{ path: 'ratio.byVolume.b' }] });
  });
  it('keeps the numbers of revisions its own, whatever a file says', async () => {
    await bring([{ ...tide(), revision: 40, exothermMaxC: 101 }], { apply: 'true' }).expect(200);
    expect(((await api().get('/api/v1/products/house-tide')).body as { revision: number }).revision).toBe(2);
  });
  it('brings in all rows or none', async () => {
    const rows = [
      { ...tide(), slug: 'house-new' },
      { ...tide(), slug: 'house-bad', family: 'wax' },
    ];
    const refused = await bring(rows, { apply: 'true' });
    expect([refused.status, paths(refused)]).toEqual([400, ['rows[1].family']]);
    expect((await api().get('/api/v1/products/house-new')).status).toBe(404);
    expect((await bring(rows, { apply: 'true', skipRefused: 'true' })).body).toMatchObject({ applied: 1 });
    expect((await api().get('/api/v1/products/house-new')).status).toBe(200);
  });
});

describe('the whole shelf', () => {
  it('is stocked by the demo and given back as it was put in', async () => {
    const stock = {
      moulds: saltmarshMoulds(),
      inclusions: saltmarshInclusions(now),
      gear: saltmarshGear(now),
      lots: saltmarshLots(now),
    };
    for (const [place, items] of Object.entries(stock)) {
      for (const item of items)
        expect((await api().post(`/api/v1/${place}`).send(item)).status, `${place} ${item.code}`).toBe(201);
      const { items: back } = (await api().get(`/api/v1/${place}`)).body as { items: { item: { code: string } }[] };
      expect(
        back.map((b) => b.item),
        place,
      ).toEqual([...items].sort((a, b) => (a.code < b.code ? -1 : 1)));
    }
  });
  it("is in the API's own description, each place with its five calls", async () => {
    const { paths: all } = (await api().get('/api/v1/openapi.json')).body as { paths: Record<string, object> };
    for (const place of ['lots', 'moulds', 'inclusions', 'additives', 'gear']) {
      expect(Object.keys(all[`/api/v1/${place}`]!).sort(), place).toEqual(['get', 'post']);
      expect(Object.keys(all[`/api/v1/${place}/{code}`]!).sort(), place).toEqual(['delete', 'get', 'put']);
    }
    expect(all).toHaveProperty(['/api/v1/photos/{id}', 'get']);
    expect(all).toHaveProperty(['/api/v1/search', 'get']);
  });
});

describe('photos', () => {
  const amber = (width = 40, height = 24) =>
    sharp({ create: { width, height, channels: 3, background: { r: 200, g: 140, b: 60 } } });
  const post = (bytes: Buffer) => api().post('/api/v1/photos').set('Content-Type', 'image/jpeg').send(bytes);
  const kept = async (sent: Buffer) => {
    const { body } = (await post(sent).expect(201)) as { body: { id: string } };
    return { id: body.id, bytes: (await api().get(`/api/v1/photos/${body.id}`).expect(200)).body as Buffer };
  };
  it('are painted anew: nothing of the bytes that were sent remains, beside or behind the picture', async () => {
    const sent = Buffer.concat([
      await amber()
        .jpeg()
        .withExif({ IFD0: { Artist: 'KO at 51.5 N' } })
        .toBuffer(),
      Buffer.from('PK hidden behind the picture'),
    ]);
    expect(sent.toString('latin1')).toContain('51.5 N');
    const { id, bytes } = await kept(sent);
    expect(bytes.toString('latin1')).not.toMatch(/51\.5 N|hidden/);
    const { width, height, format, exif, icc } = await sharp(bytes).metadata();
    expect([width, height, format, exif, icc]).toEqual([40, 24, 'jpeg', undefined, undefined]);
    const { dominant } = await sharp(bytes).stats();
    expect(dominant.r).toBeGreaterThan(dominant.g);
    expect((await kept(sent)).id).toBe(id);
  });
  it('are turned as the camera was held, and no side is longer than is of use', async () => {
    const sent = await amber(3_000, 1_500).jpeg().withMetadata({ orientation: 6 }).toBuffer();
    const { width, height } = await sharp((await kept(sent)).bytes).metadata();
    expect([width, height]).toEqual([1_280, 2_560]);
  });
  it('of a PNG stay a PNG, without its texts', async () => {
    const png = await amber()
      .png()
      .withExif({ IFD0: { Artist: 'by KO' } })
      .toBuffer();
    const { id, bytes } = await kept(png);
    expect(id).toMatch(/\.png$/);
    expect(bytes.toString('latin1')).not.toContain('by KO');
  });
  it('are known by their bytes, not by their name; what is no whole picture, or too large a one, is refused', async () => {
    const jpeg = await amber(400, 400).jpeg().toBuffer();
    const bomb = await sharp({ create: { width: 9_000, height: 9_000, channels: 3, background: 'black' } })
      .png({ compressionLevel: 9 })
      .toBuffer();
    for (const bytes of [Buffer.from('<svg onload=alert(1)>'), jpeg.subarray(0, jpeg.length / 2), bomb]) {
      const { body } = (await post(bytes).expect(400)) as { body: { error: { code: string } } };
      expect(body.error.code).toBe('not-a-photo');
    }
    expect(bomb.length).toBeLessThan(1_000_000);
    await api().get('/api/v1/photos/..%2f..%2fstudio.sqlite').expect(404);
  });
});

describe('the later migrations', () => {
  it('carries a first-schema database with batches in it to the new columns', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'warm-jar-'));
    const file = join(folder, 'old.sqlite');
    const old = new Sequelize({ dialect: 'sqlite', storage: file, logging: false, dialectModule: sqlite3 });
    await firstSchema.up(old);
    const [card, batch] = [
      saltmarshCard('house-clear-6'),
      soundBatch('house-clear-6', { code: 'B-0001', mix: { amountA: 150, amountB: 123 } }),
    ];
    await old.query('CREATE TABLE migrations (name TEXT PRIMARY KEY, applied_at TEXT NOT NULL)');
    await old.query("INSERT INTO migrations VALUES ('0001-first-schema', '')");
    await old.query("INSERT INTO products VALUES (?, 1, '')", { replacements: [card.slug] });
    await old.query("INSERT INTO product_revisions VALUES (?, 1, 'House Clear 6', 'polyurethane', ?, '')", {
      replacements: [card.slug, JSON.stringify(card)],
    });
    await old.query(
      "INSERT INTO batches (code, version, product_slug, product_revision, stage, outside, search, document, created_at, updated_at) VALUES ('B-0001', 1, ?, 1, 'check', 0, '', ?, '', '')",
      { replacements: [card.slug, JSON.stringify(batch)] },
    );
    await old.close();
    const database = await openDatabase(file);
    const rows = await database.sequelize.query(
      'SELECT code, lot_a, lot_b, mass_a_g, mass_b_g, document FROM batches',
      { type: QueryTypes.SELECT },
    );
    expect(rows).toEqual([
      { code: 'B-0001', lot_a: 'A-77', lot_b: 'B-31', mass_a_g: 150, mass_b_g: 123, document: JSON.stringify(batch) },
    ]);
    // And to the agenda, which came with the fourth.
    const [look] = await database.sequelize.query<{ at: string | null; why: string | null }>(
      'SELECT next_check_at AS at, next_check_why AS why FROM batches',
      { type: QueryTypes.SELECT },
    );
    expect(look).toEqual({ at: '2026-03-15T10:00:00.000Z', why: 'first look' });
    await database.close();
    rmSync(folder, { recursive: true, force: true });
  });
});
