import { CAUSE_IDS, type CausePage } from '@warm-jar/core';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testStudio, type TestStudio } from './testStudio';

let studio: TestStudio;
beforeAll(async () => {
  studio = await testStudio();
});
afterAll(() => studio.remove());
const page = async (id: string, query = '') =>
  (await request(studio.app).get(`/api/v1/guide/causes/${id}${query}`).expect(200)).body as CausePage;

describe('the guide', () => {
  it.each(CAUSE_IDS.filter((id) => id !== 'something-else'))('has a page on %s', async (id) => {
    const told = await page(id);
    expect(told.id).toBe(id);
    expect(told.mend.steps.length).toBeGreaterThan(0);
  });
  it('says figures in the units that are asked for', async () => {
    expect((await page('cold-cure', '?temperature=°F')).prevention.join(' ')).toMatch(/\d °F/);
  });
  it('knows nothing of what the catalogue does not know', async () => {
    for (const id of ['something-else', 'toString', 'x']) {
      const { body } = await request(studio.app).get(`/api/v1/guide/causes/${id}`).expect(404);
      expect((body as { error: { code: string } }).error.code).toBe('not-found');
    }
  });
});
