import type { Batch, Diagnosis, MonthReport } from '@warm-jar/core';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { fillDemo } from './demo/fillDemo';
import { studioClock } from './live/studioClock';
import { testStudio, type TestStudio } from './testStudio';

let studio: TestStudio;
beforeAll(async () => {
  studio = await testStudio({ cards: false });
  await fillDemo(studio, new Date('2026-11-24T14:30:00Z'));
}, 60_000);
afterAll(() => studio.remove());
const api = () => request(studio.app);

const tacky = [{ afterH: 24, symptoms: [{ kind: 'tacky', pattern: 'tacky-all-over', severity: 3 }], grade: 'scrap' }];
let made = 0;
async function log(more: Record<string, unknown> = {}): Promise<string> {
  made += 1;
  const body = {
    format: 'warm-jar.batch/1',
    product: { slug: 'house-bone-3' },
    startedAt: `2026-11-${String(1 + (made % 20)).padStart(2, '0')}T09:00:00+00:00`,
    by: 'KO',
    ...more,
  };
  return ((await api().post('/api/v1/batches').send(body).expect(201)).body as Batch).code!;
}
let keys = 0;
const enter = (code: string, change: object) => {
  keys += 1;
  const entry = { key: `outcome-test-${keys}`, at: '2026-11-24T14:00:00+00:00', ...change };
  return api().post(`/api/v1/batches/${code}/entries`).send(entry).expect(200);
};
const diagnosis = async (code: string) =>
  (await api().get(`/api/v1/batches/${code}/diagnosis`).expect(200)).body as Diagnosis;
const cause = async (code: string, id: string) => (await diagnosis(code)).symptoms[0]!.causes.find((c) => c.id === id)!;
const found = async (query: object) =>
  (
    (
      await api()
        .get('/api/v1/batches')
        .query({ ...query, pageSize: 200 })
        .expect(200)
    ).body as { items: { code: string }[] }
  ).items.map((i) => i.code);
const outcome = (id: string, more: object = {}) => ({ symptom: 'tacky', cause: id, how: 'test', ...more });

describe('what causes turned out to be', () => {
  it('are proposed by a copy with one change, kept by an entry, and found in the log', async () => {
    const about = (await api().get('/api/v1/batches/B-0397/outcomes').expect(200)).body as {
      proposed: { by: string; outcome: object }[];
    };
    expect(about.proposed).toMatchObject([
      { batch: 'B-0397', by: 'B-0409', outcome: { cause: 'under-mixed', how: 'next-batch' } },
    ]);
    const asCopy = (await api().get('/api/v1/batches/B-0409/outcomes').expect(200)).body as typeof about;
    expect(asCopy.proposed).toEqual(about.proposed);
    await enter('B-0397', { add: [{ path: 'outcome', value: about.proposed[0]!.outcome }] });
    expect(((await api().get('/api/v1/batches/B-0397/outcomes').expect(200)).body as typeof about).proposed).toEqual(
      [],
    );
    expect(await found({ outcome: 'under-mixed' })).toContain('B-0397');
    expect(await found({ outcome: 'any' })).toContain('B-0397');
    expect(await found({ outcome: 'none' })).not.toContain('B-0397');
    expect(await found({ outcome: 'ratio-off' })).not.toContain('B-0397');
    expect((await cause('B-0397', 'under-mixed')).share).toBeGreaterThan(0.9);
    await api().get('/api/v1/batches/B-9999/outcomes').expect(404);
    await api().get('/api/v1/batches').query({ outcome: 'witchcraft' }).expect(400);
  });
  it('move the rates of other batches and never of their own; taken back, edited or deleted they count no more', async () => {
    const asked = await log({ checks: tacky });
    const others = [await log({ checks: tacky, outcome: [outcome('under-mixed')] })];
    const before = await cause(asked, 'under-mixed');
    for (let i = 0; i < 3; i += 1) others.push(await log({ checks: tacky, outcome: [outcome('under-mixed')] }));
    const after = await cause(asked, 'under-mixed');
    expect(after.here!.times).toBe(before.here!.times + 3);
    expect(after.share).toBeGreaterThan(before.share);
    const own = await cause(others[0]!, 'under-mixed');
    expect(own.here!.times).toBe(after.here!.times - 1);
    const stored = await api().get(`/api/v1/batches/${others[0]}`);
    await enter(others[0]!, { set: [{ path: 'outcome', was: (stored.body as Batch).outcome, value: [] }] });
    expect((await cause(asked, 'under-mixed')).here!.times).toBe(after.here!.times - 1);
    const second = await api().get(`/api/v1/batches/${others[1]}`);
    await api().delete(`/api/v1/batches/${others[1]}`).set('If-Match', String(second.headers['etag'])).expect(204);
    expect((await cause(asked, 'under-mixed')).here!.times).toBe(after.here!.times - 2);
    await enter(others[2]!, { add: [{ path: 'outcome', value: outcome('under-mixed', { how: 'judged' }) }] });
    expect((await cause(asked, 'under-mixed')).here!.times).toBe(after.here!.times - 2);
  });
});

describe('neighbours in the log', () => {
  it('speak of a lot that spoils, and no longer once they are gone', async () => {
    const lot = (code: string) => ({ lotA: { code: 'A-900' }, lotB: { code } });
    const soft = [{ afterH: 48, symptoms: [{ kind: 'soft', pattern: 'all-over', severity: 3 }] }];
    const sound = [{ afterH: 48, symptoms: [], grade: 'pass' }];
    const bad: string[] = [];
    for (let i = 0; i < 3; i += 1) bad.push(await log({ ...lot('B-900'), checks: soft }));
    for (let i = 0; i < 12; i += 1) await log({ ...lot('B-901'), checks: sound });
    const asked = await log({ ...lot('B-900'), checks: soft });
    const told = await cause(asked, 'old-or-damp-lot');
    const line = told.evidence.find((e) => e.neighbours)!;
    expect(line).toMatchObject({ field: 'lotB.code', neighbours: { by: 'lotB', value: 'B-900' } });
    expect(line.says).toMatch(
      /^Of 3 other castings of lot B-900 of B, 3 showed this fault; of \d+ others of this product, \d+\.$/,
    );
    expect(line.points).toBeGreaterThan(3);
    for (const code of bad) {
      const stored = await api().get(`/api/v1/batches/${code}`);
      await api().delete(`/api/v1/batches/${code}`).set('If-Match', String(stored.headers['etag'])).expect(204);
    }
    const alone = await cause(asked, 'old-or-damp-lot');
    expect(alone.evidence.some((e) => e.neighbours?.by === 'lotB')).toBe(false);
  });
  it('are found in the log by the gear they share', async () => {
    const code = await log({
      mix: { scale: 'SC-9' },
      pressure: { vessel: 'PV-9' },
      readings: [{ what: 'room', value: 20, device: 'TH-9' }],
    });
    for (const gear of ['SC-9', 'PV-9', 'TH-9']) expect(await found({ gear })).toEqual([code]);
    expect(await found({ gear: 'SC-8' })).toEqual([]);
  });
});

describe('batches that are brought in', () => {
  it('count in what is learned, and are found by what they turned out to be and by their gear', async () => {
    const turned = [outcome('under-mixed')];
    const batch = {
      format: 'warm-jar.batch/1',
      code: 'T-77',
      product: { slug: 'house-bone-3' },
      startedAt: '2026-11-09T09:00:00+00:00',
      mix: { scale: 'SC-77' },
      checks: tacky,
      outcome: turned,
    };
    const before = await studio.database.models.outcomes.count();
    // The demo's own were brought in too.
    expect(before).toBeGreaterThan(20);
    await api()
      .post('/api/v1/batches/import')
      .send({ rows: [batch], apply: true })
      .expect(200);
    expect(await studio.database.models.outcomes.count()).toBe(before + 1);
    expect(await found({ gear: 'SC-77' })).toEqual(['T-77']);
    expect(await found({ outcome: 'under-mixed' })).toContain('T-77');
  });
});

describe('a month', () => {
  const month = async (name: string) => (await api().get(`/api/v1/months/${name}`).expect(200)).body as MonthReport;
  it('is one document, the same as the stream tells, and right after an edit and a deletion', async () => {
    const before = await month('2026-11');
    expect(before).toMatchObject({ format: 'warm-jar.month/1', month: '2026-11' });
    const streamed = await api().get('/api/v1/learning').query({ what: 'month', month: '2026-11' }).expect(200);
    const lines = streamed.text
      .trim()
      .split('\n')
      .map((l) => JSON.parse(l) as { result?: object });
    expect(lines.at(-1)!.result).toEqual(before);
    const code = await log({ checks: tacky });
    expect((await month('2026-11')).yield.batches).toBe(before.yield.batches + 1);
    const stored = await api().get(`/api/v1/batches/${code}`);
    await api().delete(`/api/v1/batches/${code}`).set('If-Match', String(stored.headers['etag'])).expect(204);
    expect(await month('2026-11')).toEqual(before);
  });
  it('is the one that it is where none is named, though nothing was logged since it turned', async () => {
    const clock = studioClock(0, Date.now, new Date(2026, 10, 30, 23, 50));
    const late = await testStudio({ clock });
    const asked = async () => {
      const { text } = await request(late.app).get('/api/v1/learning').query({ what: 'month' }).expect(200);
      return (JSON.parse(text.trim().split('\n').at(-1)!) as { result: MonthReport }).result.month;
    };
    expect([await asked(), await asked()]).toEqual(['2026-11', '2026-11']);
    clock.advance!(1200);
    expect(await asked()).toBe('2026-12');
    await late.remove();
  });
  it('that is none is refused, and one without a batch is empty', async () => {
    await api().get('/api/v1/months/2026-13').expect(400);
    await api().get('/api/v1/months/yesterday').expect(400);
    expect((await month('2019-01')).yield.batches).toBe(0);
  });
});
