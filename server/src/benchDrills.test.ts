import type { BenchAct, BenchView, DrillProgress, Problem } from '@warm-jar/core';
import { BENCH_PACE, benchCase } from '@warm-jar/core';
import { QueryTypes } from 'sequelize';
import request from 'supertest';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { studioClock } from './live/studioClock';
import { testStudio, type TestStudio } from './testStudio';

let studio: TestStudio;
beforeEach(async () => {
  studio = await testStudio({ clock: studioClock(0, () => 0, new Date('2027-03-18T09:00:00Z')) });
});
afterEach(async () => {
  expect(studio.failures).toEqual([]);
  await studio.remove();
});

/** Run seconds go by. */
const wait = (runS: number) => {
  studio.clock.advance!(runS / BENCH_PACE);
};
const look = async (id: string) =>
  (await request(studio.app).get(`/api/v1/bench-drills/${id}`).expect(200)).body as BenchView;
const sent = (id: string, act: object) => request(studio.app).post(`/api/v1/bench-drills/${id}/acts`).send(act);
const does = async (id: string, act: BenchAct) => (await sent(id, act).expect(200)).body as BenchView;

/** A run in which nothing goes wrong by itself. */
async function begun(): Promise<BenchView> {
  const view = (await request(studio.app).post('/api/v1/bench-drills').expect(201)).body as BenchView;
  let seed = 1;
  while (benchCase(seed).mishap !== null) seed += 1;
  await studio.database.sequelize.query(`UPDATE drill_runs SET doc = json_set(doc, '$.seed', ?) WHERE id = ?`, {
    replacements: [seed, view.id],
  });
  return look(view.id);
}

async function poured(id: string, part: 'A' | 'B', massG: number): Promise<void> {
  await does(id, { do: 'pour', part, thin: false });
  wait((massG - 0.4) / 3);
  await does(id, { do: 'stop' });
}

describe('a run on the drill’s bench', () => {
  it('goes by the studio’s clock at its own pace, to the second', async () => {
    const { id, nowS, pace } = await begun();
    expect([nowS, pace]).toEqual([0, BENCH_PACE]);
    studio.clock.advance!(15);
    expect((await look(id)).nowS).toBe(60);
    expect((await does(id, { do: 'warm' })).nowS).toBe(60 + 1200);
    studio.clock.advance!(1);
    expect((await look(id)).nowS).toBe(1264);
  });

  it('is read from the simulated instruments: the scale settles on what was poured', async () => {
    const { id, targetG, resinC } = await begun();
    expect(resinC).toBeNull();
    expect((await does(id, { do: 'read-lots' })).resinC).toBeGreaterThan(15);
    await does(id, { do: 'pour', part: 'A', thin: false });
    wait(10);
    const pouring = await look(id);
    expect(pouring).toMatchObject({ doing: 'pouring-a', gPerS: 3 });
    // A display runs after its load.
    expect(pouring.scaleG).toBeGreaterThan(20);
    expect(pouring.scaleG).toBeLessThan(30.5);
    wait((targetG.A - 30 - 0.4) / 3);
    await does(id, { do: 'stop' });
    wait(30);
    const settled = await look(id);
    expect(Math.abs(settled.scaleG - targetG.A)).toBeLessThan(0.6);
    expect(settled.metS).toBeNull();
  });

  it('done well ends in a sound cast, and touches neither the log nor the studio’s devices', async () => {
    const before = (await request(studio.app).get('/api/v1/batches')).body as object;
    const { id, targetG } = await begun();
    await poured(id, 'A', targetG.A);
    await poured(id, 'B', targetG.B);
    await does(id, { do: 'stir', how: 'gentle' });
    wait(95);
    await does(id, { do: 'scrape' });
    await does(id, { do: 'cast', fast: false });
    wait(80);
    const shut = await does(id, { do: 'shut', toKPa: 320 });
    expect(shut.gaugeKPa).toBe(0);
    wait(60);
    expect((await look(id)).gaugeKPa).toBeGreaterThan(300);
    for (const minutes of [60, 60, 20]) await does(id, { do: 'skip', minutes });
    await does(id, { do: 'release' });
    await does(id, { do: 'skip', minutes: 60 });
    const { result, may, pace } = await does(id, { do: 'demould' });
    expect(result).toMatchObject({ lost: false, faults: [], mishap: null });
    expect([may, pace]).toEqual([[], 0]);
    studio.clock.advance!(600);
    expect(await look(id)).toMatchObject({ result: { faults: [] }, pace: 0 });
    expect((await request(studio.app).get('/api/v1/batches')).body).toEqual(before);
    await sent(id, { do: 'release' }).expect(409);
    const { bench } = (await request(studio.app).get('/api/v1/drill-progress').expect(200)).body as DrillProgress;
    expect(bench).toEqual({ times: 1, sound: 1 });
  });

  it('makes the fault that was done, and the ledger argues from its record', async () => {
    const { id, targetG } = await begun();
    await poured(id, 'A', targetG.A);
    await poured(id, 'B', targetG.B * 1.2);
    await does(id, { do: 'stir', how: 'gentle' });
    wait(95);
    await does(id, { do: 'scrape' });
    await does(id, { do: 'cast', fast: false });
    wait(80);
    await does(id, { do: 'skip', minutes: 180 });
    const { result } = await does(id, { do: 'demould' });
    expect(result!.faults[0]).toMatchObject({ cause: 'ratio-off' });
    expect(result!.diagnosis[0]!.causes[0]!.id).toBe('ratio-off');
  });

  it('refuses what cannot be done, saying what can, and nothing ends the server', async () => {
    const { id } = await begun();
    const { error } = (await sent(id, { do: 'demould' }).expect(409)).body as Problem;
    expect(error).toMatchObject({ code: 'not-now', issues: [{ path: 'do', message: 'Now: read-lots, warm, pour.' }] });
    for (const bad of [{}, { do: 'drink' }, { do: 'shut', toKPa: 9000 }, { do: 'pour', part: 'C', thin: true }])
      await sent(id, bad).expect(400);
    await request(studio.app).get('/api/v1/bench-drills/none').expect(404);
    const [row] = await studio.database.sequelize.query<{ n: number }>(
      `SELECT json_array_length(doc, '$.acts') AS n FROM drill_runs WHERE id = ?`,
      { replacements: [id], type: QueryTypes.SELECT },
    );
    expect(row!.n).toBe(0);
  });
});
