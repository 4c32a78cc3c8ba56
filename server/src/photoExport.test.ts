import { soundBatch } from '@warm-jar/core';
import sharp from 'sharp';
import request from 'supertest';
import { fromBuffer } from 'yauzl';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testStudio, type TestStudio } from './testStudio';

let studio: TestStudio;
const api = () => request(studio.app);
const ids: string[] = [];

beforeAll(async () => {
  studio = await testStudio();
  for (const red of [40, 200]) {
    const png = await sharp({ create: { width: 64, height: 48, channels: 3, background: { r: red, g: 90, b: 20 } } })
      .png()
      .toBuffer();
    const { body } = await api().post('/api/v1/photos').set('Content-Type', 'image/png').send(png).expect(201);
    ids.push((body as { id: string }).id);
  }
  const look = (id: string) => [{ afterH: 24, photos: [{ id }] }];
  const gone = `${'0'.repeat(40)}.jpg`;
  for (const [code, checks] of [
    ['X-1', look(ids[0]!)],
    ['X-2', [...look(ids[0]!), { afterH: 48, photos: [{ id: ids[1]! }, { id: gone }] }]],
    ['X-3', []],
  ] as const)
    await api()
      .post('/api/v1/batches')
      .send({ ...soundBatch('house-tide'), code, checks })
      .expect(201);
}, 60_000);
afterAll(() => studio.remove());

/** What a zip holds, by name. */
function unzipped(bytes: Buffer): Promise<Map<string, Buffer>> {
  return new Promise((done, fail) => {
    const held = new Map<string, Buffer>();
    fromBuffer(bytes, { lazyEntries: true }, (error, zip) => {
      if (error) {
        fail(error);
        return;
      }
      zip.on('end', () => {
        done(held);
      });
      zip.on('entry', (entry: { fileName: string }) => {
        zip.openReadStream(entry as never, (problem, stream) => {
          if (problem) {
            fail(problem);
            return;
          }
          const parts: Buffer[] = [];
          stream.on('data', (part: Buffer) => parts.push(part));
          stream.on('end', () => {
            held.set(entry.fileName, Buffer.concat(parts));
            zip.readEntry();
          });
        });
      });
      zip.readEntry();
    });
  });
}
const taken = async (query: Record<string, string>) => {
  const { body, headers } = await api()
    .get('/api/v1/export/batches.zip')
    .query(query)
    .buffer(true)
    .parse((response, then) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
      response.on('end', () => {
        then(null, Buffer.concat(parts));
      });
    })
    .expect(200);
  expect(headers['content-type']).toContain('application/zip');
  return unzipped(body as Buffer);
};

describe('an export with photos', () => {
  it('holds the batches as the JSON export has them, and each photo once, as it is kept', async () => {
    const held = await taken({});
    expect([...held.keys()].sort()).toEqual(
      ['batches.json', 'photos-missing.txt', ...ids.map((id) => `photos/${id}`)].sort(),
    );
    const { text } = await api().get('/api/v1/export/batches.json').expect(200);
    expect(JSON.parse(held.get('batches.json')!.toString())).toEqual(JSON.parse(text));
    const kept = await api().get(`/api/v1/photos/${ids[0]!}`).expect(200);
    expect(held.get(`photos/${ids[0]!}`)!.equals(kept.body as Buffer)).toBe(true);
  });
  it('names a photo that is no longer there', async () => {
    expect((await taken({})).get('photos-missing.txt')!.toString().trim()).toBe(`${'0'.repeat(40)}.jpg`);
  });
  it('takes the filters of the list, and is whole where nothing has a photo', async () => {
    const held = await taken({ codes: 'X-3' });
    expect([...held.keys()]).toEqual(['batches.json']);
    expect(JSON.parse(held.get('batches.json')!.toString())).toMatchObject([{ code: 'X-3' }]);
    expect([...(await taken({ codes: 'X-1' })).keys()].sort()).toEqual(['batches.json', `photos/${ids[0]!}`]);
  });
});
