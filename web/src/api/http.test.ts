import { afterEach, describe, expect, it, vi } from 'vitest';
import { z } from 'zod';
import { ApiProblem, onSignedOut, read, sayWho, send, versionOf, withJson } from './http';

const answer = (status: number, body: unknown, headers: Record<string, string> = {}) =>
  vi.fn<(path: string, init?: RequestInit) => Promise<Response>>(() =>
    Promise.resolve(new Response(JSON.stringify(body), { status, headers })),
  );
afterEach(() => {
  vi.unstubAllGlobals();
  sayWho(() => null);
});

describe('a call of the API', () => {
  it('names who was chosen on the screen, whatever their initials are written in, and nobody where nobody was', async () => {
    const fetched = answer(200, {});
    vi.stubGlobal('fetch', fetched);
    await send('/batches');
    sayWho(() => 'KÖ');
    await send('/batches', withJson('PUT', { a: 1 }, 3));
    const [first, second] = fetched.mock.calls.map(([, init]) => new Headers(init?.headers));
    expect(first!.has('X-Warm-Jar-By')).toBe(false);
    expect(decodeURIComponent(second!.get('X-Warm-Jar-By')!)).toBe('KÖ');
    expect([second!.get('If-Match'), second!.get('Content-Type')]).toEqual(['"3"', 'application/json']);
  });
  it('tells when the server knows this device no more, and not for another refusal', async () => {
    let told = 0;
    onSignedOut(() => {
      told += 1;
    });
    const refused = (code: string) => ({ error: { code, message: 'No.', issues: [] } });
    vi.stubGlobal('fetch', answer(401, refused('wrong')));
    await expect(send('/session')).rejects.toMatchObject({ code: 'wrong', status: 401 });
    expect(told).toBe(0);
    vi.stubGlobal('fetch', answer(401, refused('sign-in')));
    await expect(send('/batches')).rejects.toBeInstanceOf(ApiProblem);
    expect(told).toBe(1);
  });
  it('says in its own words that there is no server, or one that answers nonsense', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('failed')));
    await expect(send('/x')).rejects.toMatchObject({ code: 'unreachable', status: 0 });
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('<html>', { status: 502 })));
    await expect(send('/x')).rejects.toMatchObject({ code: 'unreadable', status: 502 });
    const gone = new AbortController();
    gone.abort();
    vi.stubGlobal('fetch', () => Promise.reject(new DOMException('left', 'AbortError')));
    await expect(send('/x', { signal: gone.signal })).rejects.toThrow('left');
  });
  it('reads an answer by its schema, and the version beside it', async () => {
    expect(await read(z.object({ n: z.number() }), new Response('{"n":1}'))).toEqual({ n: 1 });
    await expect(read(z.object({ n: z.number() }), new Response('{"n":"1"}'))).rejects.toThrow();
    expect(versionOf(new Response('', { headers: { ETag: '"12"' } }))).toBe(12);
    expect(versionOf(new Response(''))).toBe(0);
  });
  it('checks the items of a list one after another, with the rest of the answer beside them', async () => {
    const page = z.object({ items: z.array(z.object({ n: z.number() })), total: z.number() });
    const told = { items: Array.from({ length: 40 }, (_, n) => ({ n, more: 'left out' })), total: 7, extra: 1 };
    let now = 0;
    vi.stubGlobal('performance', { now: () => (now += 1) });
    const pauses = vi.fn(() => Promise.resolve());
    vi.stubGlobal('scheduler', { yield: pauses });
    const found = await read(page, new Response(JSON.stringify(told)));
    expect(found).toEqual(page.parse(told));
    expect(pauses.mock.calls.length).toBeGreaterThan(8);
    const bad = { ...told, items: [{ n: 1 }, { n: 'one' }] };
    await expect(read(page, new Response(JSON.stringify(bad)))).rejects.toThrow('number');
    await expect(read(page, new Response(JSON.stringify({ ...told, total: '7' })))).rejects.toThrow('number');
    await expect(read(page, new Response('{"total":7}'))).rejects.toThrow('array');
    expect(await read(page, new Response('{"items":[],"total":0}'))).toEqual({ items: [], total: 0 });
  });
  it('checks each of several lists, and whole what is held to a rule of the whole or has to have something in it', async () => {
    const answered = (body: unknown) => new Response(JSON.stringify(body));
    const two = z.object({ lots: z.array(z.object({ a: z.number() })), gear: z.array(z.string()), left: z.number() });
    expect(await read(two, answered({ lots: [{ a: 1, b: 2 }], gear: ['x', 'y'], left: 3, more: 4 }))).toEqual({
      lots: [{ a: 1 }],
      gear: ['x', 'y'],
      left: 3,
    });
    await expect(read(two, answered({ lots: [{ a: 1 }], gear: ['x', 7], left: 3 }))).rejects.toThrow();
    await expect(read(two, answered({ lots: [{ a: 1 }], left: 3 }))).rejects.toThrow();
    const ruled = two.refine((v) => v.lots.length === v.left);
    expect((await read(ruled, answered({ lots: [{ a: 1 }], gear: [], left: 1 }))).left).toBe(1);
    await expect(read(ruled, answered({ lots: [], gear: [], left: 1 }))).rejects.toThrow();
    const some = z.object({ items: z.array(z.number()).min(1) });
    expect(await read(some, answered({ items: [5] }))).toEqual({ items: [5] });
    await expect(read(some, answered({ items: [] }))).rejects.toThrow();
  });
  it('that asks lets others go first; one that writes is on its way at once', async () => {
    let go = () => {};
    vi.stubGlobal('scheduler', { yield: () => new Promise<void>((done) => (go = done)) });
    const fetched = answer(200, {});
    vi.stubGlobal('fetch', fetched);
    const asked = send('/batches');
    void send('/batches', withJson('POST', {}));
    expect(fetched.mock.calls.map(([, init]) => init?.method)).toEqual(['POST']);
    go();
    await asked;
    expect(fetched).toHaveBeenCalledTimes(2);
  });
});
