import {
  batchFacts,
  batchListQuerySchema,
  batchSchema,
  castingFacts,
  castingIds,
  castingOf,
  saltmarshBatches,
  saltmarshCard,
  saltmarshMoulds,
  saltmarshYear,
  soundBatch,
  type Batch,
} from '@warm-jar/core';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { fillDemo } from './demo/fillDemo';
import { testStudio, type TestStudio } from './testStudio';

let studio: TestStudio;
const api = () => request(studio.app);
const now = new Date('2026-11-24T14:30:00Z');
beforeAll(async () => {
  studio = await testStudio({ cards: false });
  await fillDemo(studio, now);
}, 60_000);
afterAll(async () => {
  await studio.remove();
});

const listed = async (query: Record<string, string>) =>
  (
    await api()
      .get('/api/v1/batches')
      .query({ pageSize: '200', ...query })
      .expect(200)
  ).body as {
    total: number;
    items: {
      code: string;
      mould: string | null;
      by: string;
      grade: string | null;
      outside: number;
      startedAt: string;
      lotA: string | null;
      lotB: string | null;
      massG: number;
      symptoms: { kind: string; pattern: string }[];
    }[];
  };
const whole = async (code: string) => (await studio.batches.get(code)).batch;

describe('the log, narrowed', () => {
  it.each([
    [
      'mould',
      { mould: 'M-12' },
      (b: Batch) => castingIds(b).some((id) => (castingOf(b, id)?.mould?.code ?? b.mould?.code) === 'M-12'),
    ],
    ['person', { by: 'KO' }, (b: Batch) => b.by === 'KO'],
    ['lot of either part', { lot: 'B-52' }, (b: Batch) => b.lotA?.code === 'B-52' || b.lotB?.code === 'B-52'],
    [
      'symptom and pattern',
      { symptom: 'bubbles', pattern: 'same-spot' },
      (b: Batch) =>
        (b.checks ?? []).some((c) => (c.symptoms ?? []).some((s) => s.kind === 'bubbles' && s.pattern === 'same-spot')),
    ],
    ['damp over the card', { limit: 'room.humidityPct:above' }, (b: Batch) => (b.room?.humidityPct ?? 0) > 58],
    ['month', { fact: 'season:08' }, (b: Batch) => b.startedAt?.slice(5, 7) === '08'],
    [
      'lamp',
      { fact: 'lamp:on' },
      (b: Batch) => (b.cure?.lightMJPerCM2 ?? 0) > 0 && !b.product.slug.startsWith('house-noon'),
    ],
    [
      'days',
      { from: '2026-11-01', to: '2026-11-10' },
      (b: Batch) => b.startedAt! >= '2026-11-01' && b.startedAt! < '2026-11-11',
    ],
    ['chosen codes', { codes: 'B-0399, B-0401' }, (b: Batch) => b.code === 'B-0399' || b.code === 'B-0401'],
    ['not looked at', { looked: 'no' }, (b: Batch) => (b.checks ?? []).length === 0],
  ])('by %s holds those and only those', async (_name, query, fits) => {
    const { items, total } = await listed(query);
    expect(total).toBeGreaterThan(0);
    expect(total).toBe(items.length);
    for (const { code } of items) expect(fits(await whole(code)), code).toBe(true);
    const everyone = await studio.batches.documents(batchListQuerySchema.parse({}), 1000);
    if (_name !== 'damp over the card') expect(everyone.batches.filter(fits)).toHaveLength(total);
  });
  it('by grade and by limits adds up to the whole', async () => {
    const { total } = await listed({});
    // A batch is found by the grade of each of its castings.
    const grades = await Promise.all(
      ['pass', 'second', 'scrap', 'mend', 'none'].map((grade) => listed({ grade, pageSize: '200' })),
    );
    const rest = await Promise.all(
      ['pass', 'second', 'scrap', 'mend', 'none'].map((grade) => listed({ grade, pageSize: '200', page: '2' })),
    );
    const found = new Set([...grades, ...rest].flatMap((g) => g.items.map((b) => b.code)));
    expect(found.size).toBe(total);
    expect(grades.reduce((sum, g) => sum + g.total, 0)).toBeGreaterThan(total);
    expect((await listed({ limit: 'outside' })).total + (await listed({ limit: 'inside' })).total).toBe(total);
    expect((await listed({ limit: 'near' })).total).toBeGreaterThan(0);
  });
  it('sorts by each column, and pages without missing or doubling one', async () => {
    for (const sort of ['massG', '-massG', 'mould', '-by', 'outside', 'grade', 'lotA']) {
      const pages = await Promise.all(
        [1, 2, 3, 4, 5].map((page) => listed({ sort, page: String(page), pageSize: '60' })),
      );
      const codes = pages.flatMap((p) => p.items.map((b) => b.code));
      expect(new Set(codes).size).toBe(pages[0]!.total);
    }
    const masses = (await listed({ sort: '-massG' })).items.flatMap((b) => b.massG ?? []);
    expect(masses).toEqual([...masses].sort((a, b) => b - a));
  });
  it.each([
    { limit: 'room.x; DROP TABLE' },
    { fact: 'nonsense:1' },
    { sort: 'search' },
    { grade: 'fine' },
    { pageSize: '5000' },
  ])('refuses %j, naming the field', async (query) => {
    const { body } = await api().get('/api/v1/batches').query(query).expect(400);
    expect((body as { error: { issues: { path: string }[] } }).error.issues[0]!.path).toBe(Object.keys(query)[0]);
  });
  it('takes a pattern from nowhere for none, and no quote into the statement', async () => {
    expect((await listed({ symptom: 'bubbles', pattern: "x') OR 1=1 --" })).total).toBe(
      (await listed({ symptom: 'bubbles' })).total,
    );
  });
});

describe('filters under a name', () => {
  it('are kept, replaced under the same name, and forgotten', async () => {
    const filter = { name: 'damp days', query: { fact: 'damp:over', symptom: 'bubbles' } };
    await api().post('/api/v1/filters').send(filter).expect(200);
    await api()
      .post('/api/v1/filters')
      .send({ ...filter, query: { fact: 'damp:over' } })
      .expect(200);
    expect((await api().get('/api/v1/filters').expect(200)).body).toEqual({
      items: [{ name: 'damp days', query: { fact: 'damp:over' } }],
    });
    await api().delete('/api/v1/filters/damp%20days').expect(204);
    await api().delete('/api/v1/filters/damp%20days').expect(404);
    await api().post('/api/v1/filters').send({ name: '', query: {} }).expect(400);
  });
});

describe('out and in again', () => {
  let other: TestStudio;
  beforeAll(async () => {
    other = await testStudio();
    for (const mould of saltmarshMoulds()) await other.shelf.moulds.create(mould);
  });
  afterAll(async () => {
    await other.remove();
  });
  const post = (rows: unknown[], options: Record<string, boolean> = {}) =>
    request(other.app)
      .post('/api/v1/batches/import')
      .send({ rows, ...options });

  it('a JSON export is a list of whole documents, filtered as the list is', async () => {
    const { text } = await api().get('/api/v1/export/batches.json').query({ mould: 'M-12' }).expect(200);
    const batches = batchSchema.array().parse(JSON.parse(text));
    expect(batches).toHaveLength((await listed({ mould: 'M-12' })).total);
    expect(batches[0]).toEqual(await whole(batches[0]!.code!));
  });
  it('goes over to another studio and back without loss', async () => {
    const { text } = await api().get('/api/v1/export/batches.json').query({ product: 'house-coat-9' }).expect(200);
    const rows = JSON.parse(text) as Batch[];
    const looked = await post(rows).expect(200);
    expect(looked.body as { rows: { action: string }[]; applied: number }).toMatchObject({ applied: 0 });
    expect((looked.body as { rows: { action: string }[] }).rows.every((r) => r.action === 'new')).toBe(true);
    expect((await other.batches.list(batchListQuerySchema.parse({}))).total).toBe(0);
    expect((await post(rows, { apply: true }).expect(200)).body).toMatchObject({ applied: rows.length });
    const back = await request(other.app).get('/api/v1/export/batches.json').query({ product: 'house-coat-9' });
    const closed = (looked.body as { rows: { closed: boolean }[] }).rows.map((r) => r.closed);
    expect(closed.filter(Boolean).length).toBeLessThan(rows.length / 4);
    expect(JSON.parse(back.text)).toEqual(rows.map((row, at) => (closed[at] ? { ...row, closed: true } : row)));
    expect(
      ((await post(rows).expect(200)).body as { rows: { action: string }[] }).rows.every((r) => r.action === 'same'),
    ).toBe(true);
  });
  it('a CSV has dotted names, a mark of its encoding, and as many rows as the filter finds', async () => {
    const { text, headers } = await api().get('/api/v1/export/batches.csv').query({ symptom: 'haze' }).expect(200);
    expect(headers['content-disposition']).toContain('batches.csv');
    const lines = text
      .replace(/^\uFEFF/, '')
      .trim()
      .split('\r\n');
    expect(text.startsWith('\uFEFF')).toBe(true);
    expect(lines[0]).toContain('room.temperatureC');
    expect(lines.length - 1).toBe((await listed({ symptom: 'haze' })).total);
  });
  it('shows refused rows with their field, and brings in nothing until they are left out', async () => {
    const good = soundBatch('house-tide', { code: 'X-1' });
    const rows = [
      good,
      { ...good, code: 'X-2', room: { humidityPct: 140 } },
      { ...good, code: 'X-3', product: { slug: 'house-none' } },
      { ...good },
    ];
    const { rows: told } = (await post(rows).expect(200)).body as {
      rows: { row: number; action: string; issues: { path: string }[] }[];
    };
    expect(told.map((r) => r.action)).toEqual(['new', 'refused', 'refused', 'refused']);
    expect(told.slice(1).map((r) => r.issues[0]!.path)).toEqual(['room.humidityPct', 'product.slug', 'code']);
    expect((await post(rows, { apply: true }).expect(400)).body).toMatchObject({ error: { code: 'rows-refused' } });
    expect((await post(rows, { apply: true, skipRefused: true }).expect(200)).body).toMatchObject({ applied: 1 });
  });
  it('leaves a different one under the same code alone unless asked, and then as a new version', async () => {
    const changed = { ...(await other.batches.get('X-1')).batch, note: 'from the other bench' };
    expect(((await post([changed]).expect(200)).body as { rows: unknown[] }).rows[0]).toMatchObject({
      action: 'differs',
      changed: ['note'],
    });
    await post([changed], { apply: true }).expect(200);
    expect((await other.batches.get('X-1')).batch.note).not.toBe('from the other bench');
    await post([changed], { apply: true, replaceOthers: true }).expect(200);
    expect(await other.batches.get('X-1')).toMatchObject({ version: 2, batch: { note: 'from the other bench' } });
  });
  it('gives a code to those that have none', async () => {
    const bare = { ...soundBatch('house-shell'), code: null };
    expect((await post([bare], { apply: true }).expect(200)).body).toMatchObject({ applied: 1 });
    expect((await other.batches.list(batchListQuerySchema.parse({ product: 'house-shell' }))).items[0]!.code).toMatch(
      /^B-\d{4}$/,
    );
  });
});

describe('what is learned from the whole log', () => {
  const lines = (text: string) =>
    text
      .trim()
      .split('\n')
      .map((l) => JSON.parse(l) as { share?: number; result?: Record<string, unknown>; remembered?: boolean });
  const asked = async (query: Record<string, string>) =>
    lines(
      (
        await api()
          .get('/api/v1/learning')
          .query(query)
          .buffer(true)
          .parse((res, done) => {
            let t = '';
            res.on('data', (c: Buffer) => {
              t += c.toString();
            });
            res.on('end', () => {
              done(null, t);
            });
          })
          .expect(200)
      ).body as string,
    );
  it('comes with progress, is remembered, and worked out anew when a batch changes', async () => {
    const first = await asked({ what: 'patterns' });
    expect(first.filter((l) => l.share !== undefined).length).toBeGreaterThan(2);
    expect(first.at(-1)!.result).toMatchObject({
      batches: saltmarshBatches(now).length + (await listed({})).total - 39,
    });
    expect((await asked({ what: 'patterns' }))[0]).toMatchObject({ remembered: true });
    await studio.batches.create(soundBatch('house-tide', { code: 'Y-1' }));
    expect((await asked({ what: 'patterns' }))[0]!.remembered).toBeUndefined();
  });
  it('finds the planted causes, by product names, and links that the log understands', async () => {
    const { findings } = (await asked({ what: 'patterns' })).at(-1)!.result as {
      findings: {
        factor: string;
        level: string;
        kind: string;
        pattern: string | null;
        with: { k: number; n: number };
        says: string;
      }[];
    };
    const told = findings.map((f) => `${f.factor}:${f.level}`);
    expect(told).toEqual(expect.arrayContaining(['mould:M-12', 'pressing:late']));
    expect(findings.some((f) => f.says.includes('House Clear 6'))).toBe(true);
    // The log holds batches, a finding counts castings: as many batches as the castings came from.
    const demo = [...saltmarshYear(now).map((y) => y.batch), ...saltmarshBatches(now)];
    const castings = castingFacts(demo.map((b) => batchFacts(saltmarshCard(b.product.slug), b)));
    for (const f of findings) {
      const fact = `${f.factor}:${f.level}`;
      const seen = f.pattern ? `${f.kind}/${f.pattern}` : f.kind;
      const own = castings.filter((k) => k.levels[f.factor as 'mould'] === f.level && k.seen.includes(seen));
      expect(own, f.says).toHaveLength(f.with.k);
      const { total } = await listed({ fact, symptom: f.kind, ...(f.pattern ? { pattern: f.pattern } : {}) });
      expect(total, f.says).toBe(new Set(own.map((k) => k.code)).size);
    }
  });
  it('within days looks at those days alone', async () => {
    const { batches } = (await asked({ what: 'patterns', from: '2026-08-01', to: '2026-08-31' })).at(-1)!.result as {
      batches: number;
    };
    expect(batches).toBe((await listed({ from: '2026-08-01', to: '2026-08-31' })).total);
  });
  it("has a chart and the studio's own figures", async () => {
    const { points } = (await asked({ what: 'chart', kind: 'bubbles' })).at(-1)!.result as { points: { n: number }[] };
    expect(points.reduce((sum, p) => sum + p.n, 0)).toBeGreaterThan(200);
    const { gel, moulds } = (await asked({ what: 'figures' })).at(-1)!.result as {
      gel: { slug: string; fit: { status: string; offPct: number } }[];
      moulds: { mould: string; wornFrom: number | null }[];
    };
    expect(gel.find((g) => g.slug === 'house-clear-6')!.fit).toMatchObject({ status: 'fitted' });
    expect(moulds.find((m) => m.mould === 'M-01')!.wornFrom).not.toBeNull();
  });
  it('refuses what it does not know', async () => {
    await api().get('/api/v1/learning').query({ what: 'weather' }).expect(400);
  });
  it('fills in what batches logged before this version lack', async () => {
    await studio.database.sequelize.query("UPDATE batches SET facts = NULL WHERE code IN ('B-0399', 'B-0401')");
    expect(await studio.facts.fill()).toBe(2);
    expect((await listed({ fact: 'lot-b:B-52', codes: 'B-0399' })).total).toBe(1);
  });
});

describe('pieces in layers', () => {
  it('are planned as of now, stand in the calendar, and are known from their batches', async () => {
    const { body } = await api().get('/api/v1/pieces/P-03/plan').expect(200);
    expect((body as { layers: { state: string; batch: string | null }[] }).layers.map((l) => l.state)).toEqual([
      'poured',
      'next',
      'later',
    ]);
    expect((await api().get('/api/v1/batches/B-0420/pieces').expect(200)).body).toEqual({
      items: [{ piece: 'P-03', name: 'thick panel with bladderwrack', layer: 1, below: null, above: null }],
    });
    expect((await api().get('/api/v1/agenda.ics').expect(200)).text).toContain('Layer 2 of P-03');
    const due = (await api().get('/api/v1/layers/due').query({ days: '30' }).expect(200)).body as {
      items: { piece: string }[];
    };
    expect(due.items.map((d) => d.piece)).toEqual(expect.arrayContaining(['P-03', 'P-04']));
  });
  it('put the layer below in view of a late fault', async () => {
    const { body } = await api().get('/api/v1/batches/B-0421/diagnosis').expect(200);
    const [symptom] = (body as { symptoms: { kind: string; causes: { id: string }[] }[] }).symptoms.slice(-1);
    expect(symptom).toMatchObject({ kind: 'bulge' });
    expect(symptom!.causes[0]!.id).toBe('wet-layer-below');
  });
  it('are found by words, and refuse a layer without a product', async () => {
    expect(
      (
        (await api().get('/api/v1/search').query({ q: 'bladderwrack panel' }).expect(200)).body as {
          items: { code: string }[];
        }
      ).items.map((f) => f.code),
    ).toContain('P-03');
    await api()
      .post('/api/v1/pieces')
      .send({ format: 'warm-jar.piece/1', code: 'P-09', name: 'x', layers: [{ depthMm: 3 }] })
      .expect(400);
    await api()
      .post('/api/v1/pieces')
      .send({ format: 'warm-jar.piece/1', code: 'P-08', name: 'x', layers: [{ productSlug: 'house-none' }] })
      .expect(201);
    expect((await api().get('/api/v1/pieces/P-08/plan').expect(400)).body).toMatchObject({
      error: { code: 'cannot-plan', issues: [{ path: 'layers[0].productSlug' }] },
    });
  });
});
