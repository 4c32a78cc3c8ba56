import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { fillDemo } from './demo/fillDemo';
import { testStudio, type TestStudio } from './testStudio';

let studio: TestStudio;
beforeAll(async () => {
  studio = await testStudio({ cards: false });
  await fillDemo(studio, new Date('2026-11-24T14:30:00Z'));
}, 60_000);
afterAll(() => studio.remove());
const api = () => request(studio.app);

describe('trials', () => {
  it('are the series that copies make, with their trend', async () => {
    const { items } = (await api().get('/api/v1/trials').expect(200)).body as {
      items: { attempts: { code: string; worst: number | null; changes: string[] }[]; trend: string }[];
    };
    const clear = items.find((s) => s.attempts[0]!.code === 'B-0399')!;
    expect(clear.attempts.map((a) => a.code)).toEqual(['B-0399', 'B-0414', 'B-0418']);
    expect(clear.attempts.map((a) => a.worst)).toEqual([4, 0, null]);
    expect(clear.attempts[1]!.changes).toEqual(['A fresh lot of both parts.']);
  });
  it('hold batches side by side', async () => {
    const { body } = await api().get('/api/v1/trials/compare').query({ codes: 'B-0397,B-0409' }).expect(200);
    expect(
      (body as { trial: { differs: { field: string }[]; verdict: { can: string } } }).trial.differs.map((f) => f.field),
    ).toEqual(expect.arrayContaining(['mix.stirMin']));
    await api().get('/api/v1/trials/compare').query({ codes: 'B-0397,B-9999' }).expect(404);
    await api().get('/api/v1/trials/compare').query({ codes: '' }).expect(400);
  });
});
