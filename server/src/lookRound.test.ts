import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createServer, type Server } from 'node:http';
import request from 'supertest';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { AccessOptions } from './access/gate';
import { hostStudio, type HostedStudio } from './hostStudio';

let host: HostedStudio;
let server: Server;
let folder: string;
const failures: unknown[] = [];
const leftFolders = () => readdirSync(tmpdir()).filter((name) => name.startsWith('warm-jar-look-round-')).length;
let before: number;

async function open(access: AccessOptions): Promise<void> {
  folder = mkdtempSync(join(tmpdir(), 'warm-jar-host-'));
  before = leftFolders();
  host = await hostStudio({ file: join(folder, 'studio.sqlite'), access, log: (error) => failures.push(error) });
  server = createServer(host.handle);
}
beforeEach(() => {
  failures.length = 0;
});
afterEach(async () => {
  await host.close();
  server.close();
  rmSync(folder, { recursive: true, force: true });
  expect(failures).toEqual([]);
});
const api = () => request(server);
const total = async (path: string) => ((await api().get(path)).body as { total: number }).total;

describe('a look-round', () => {
  it('stands beside the studio, with its own batches, and nothing of it comes over', async () => {
    await open({ mode: 'local' });
    await api().get('/look-round/api/v1/products').expect(404);
    expect((await api().post('/api/v1/look-round')).body).toEqual({ open: true, path: '/look-round' });
    expect(await total('/look-round/api/v1/batches')).toBeGreaterThan(200);
    expect(await total('/api/v1/batches')).toBe(0);
    await api()
      .post('/look-round/api/v1/batches')
      .send({ format: 'warm-jar.batch/1', product: { slug: 'house-tide' } })
      .expect(201);
    expect(await total('/api/v1/batches')).toBe(0);
    expect((await api().get('/api/v1/products')).body).toEqual({ items: [] });
  }, 60_000);

  it('is thrown away from inside or outside, with its folder; a page of it leads home', async () => {
    await open({ mode: 'local' });
    await api().post('/api/v1/look-round').expect(200);
    expect(leftFolders()).toBe(before + 1);
    expect((await api().delete('/look-round/api/v1/look-round')).body).toMatchObject({ open: false });
    await expect.poll(() => leftFolders(), { timeout: 10_000 }).toBe(before);
    expect((await api().get('/look-round/batches')).headers['location']).toBe('/');
    expect((await api().get('/api/v1/look-round')).body).toMatchObject({ open: false });
    await api().get('/api/v1/batches').expect(200);
  }, 60_000);

  it('is no way round the door: who is not signed in to the studio does not come in', async () => {
    await open({ mode: 'people' });
    await api().post('/api/v1/look-round').expect(401);
    await host.current().people.addPerson({ code: 'KO', role: 'lead', name: null, secret: 'opensesame-9' });
    const agent = request.agent(server);
    await agent.post('/api/v1/session').send({ person: 'KO', secret: 'opensesame-9' }).expect(204);
    await agent.post('/api/v1/look-round').expect(200);
    expect((await agent.get('/look-round/api/v1/batches')).status).toBe(200);
    expect((await api().get('/look-round/api/v1/batches')).status).toBe(401);
    expect((await api().get('/look-round/')).headers['location']).toBe('/');
  }, 60_000);

  it('gives nobody more than their own studio does, and writes no copies to the disk', async () => {
    await open({ mode: 'people' });
    const { people } = host.current();
    await people.addPerson({ code: 'KO', role: 'lead', name: null, secret: 'opensesame-9' });
    await people.addPerson({ code: 'RV', role: 'technician', name: null, secret: 'opensesame-9' });
    const signedIn = async (person: string) => {
      const agent = request.agent(server);
      await agent.post('/api/v1/session').send({ person, secret: 'opensesame-9' }).expect(204);
      return agent;
    };
    const [lead, technician] = [await signedIn('KO'), await signedIn('RV')];
    await technician.post('/api/v1/look-round').expect(200);
    await technician.get('/look-round/api/v1/tokens').expect(403);
    await lead.get('/look-round/api/v1/tokens').expect(200);
    for (const way of ['/api/v1/backup', '/API/v1/Backup/', '/api/v1/%62ackup', '/api/v1/backup.zip'])
      expect((await lead.get(`/look-round${way}`)).status, way).toBe(403);
  }, 60_000);

  it('takes nothing that only begins like its path', async () => {
    await open({ mode: 'local' });
    expect((await api().get('/look-roundabout')).status).toBe(404);
  });
});
