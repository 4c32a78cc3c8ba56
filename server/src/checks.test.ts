import { saltmarshBatches, soundBatch, type DueCheck, type MouldSpots } from '@warm-jar/core';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { fillDemo } from './demo/fillDemo';
import { testStudio, type TestStudio } from './testStudio';

let studio: TestStudio;
beforeAll(async () => {
  studio = await testStudio();
});
afterAll(() => studio.remove());

const HOUR_MS = 3_600_000;
const hoursAgo = (h: number) => new Date(Date.now() - h * HOUR_MS).toISOString().replace(/\.\d{3}Z$/, '+00:00');
const log = async (slug: string, patch: Record<string, unknown>) =>
  (
    (
      await request(studio.app)
        .post('/api/v1/batches')
        .send({ ...soundBatch(slug, patch), code: null })
        .expect(201)
    ).body as { code: string }
  ).code;
const due = async (days: number) =>
  ((await request(studio.app).get(`/api/v1/checks/due?days=${days}`).expect(200)).body as { items: DueCheck[] }).items;
/** A folded line of iCalendar goes on in the next one after a space. */
const lines = (ics: string) => ics.replace(/\r\n[ \t]/g, '').split('\r\n');
const agenda = async () =>
  lines(
    (
      await request(studio.app)
        .get('/api/v1/agenda.ics')
        .expect(200)
        .expect('Content-Type', /text\/calendar/)
    ).text,
  );

describe('looks that are due', () => {
  it('come soonest first, with the reason, and reach as far as asked', async () => {
    const clear = await log('house-clear-6', {
      startedAt: hoursAgo(30),
      checks: [{ afterH: 25, symptoms: [], grade: 'pass' }],
    });
    const over = await log('house-coat-9', {
      startedAt: hoursAgo(60),
      layerBelow: { family: 'mineral-acrylic', productSlug: 'house-chalk' },
      checks: [{ afterH: 25, symptoms: [], grade: 'pass' }],
    });
    const soon = await due(2);
    expect(soon.find((c) => c.code === over)?.why).toContain('bulges');
    expect(soon.map((c) => c.code)).not.toContain(clear);
    const week = await due(8);
    expect(week.map((c) => c.at)).toEqual([...week.map((c) => c.at)].sort());
    expect(week.find((c) => c.code === clear)?.why).toContain('ambers late');
  });
  it('move on once the look is made, and end with a scrap', async () => {
    const code = await log('house-clear-6', { startedAt: hoursAgo(26), checks: [] });
    const at = async () => (await due(60)).find((c) => c.code === code);
    expect((await at())!.why).toBe('first look');
    const check = (value: object) =>
      request(studio.app)
        .post(`/api/v1/batches/${code}/entries`)
        .send({ key: crypto.randomUUID(), at: hoursAgo(0), set: [], add: [{ path: 'checks', value }] })
        .expect(200);
    await check({ afterH: 26, symptoms: [], grade: 'pass' });
    expect((await at())!.why).toContain('ambers');
    await check({ afterH: 27, symptoms: [{ kind: 'cracks', pattern: 'unspecified' }], grade: 'scrap' });
    expect(await at()).toBeUndefined();
  });
  it('refuse days that are none', async () => {
    expect((await request(studio.app).get('/api/v1/checks/due?days=soon')).body.error.issues).toMatchObject([
      { path: 'days' },
    ]);
  });
});

describe('the agenda as iCalendar', () => {
  it('holds each due look once, with its moment, under an id that stays', async () => {
    const code = await log('house-clear-6', { startedAt: hoursAgo(20), checks: [] });
    const first = await agenda();
    expect(first[0]).toBe('BEGIN:VCALENDAR');
    expect(first.at(-1) === '' ? first.at(-2) : first.at(-1)).toBe('END:VCALENDAR');
    const uid = `UID:${code}-look@warm-jar`;
    expect(first.filter((l) => l === uid)).toHaveLength(1);
    const event = first.slice(first.indexOf(uid), first.indexOf('END:VEVENT', first.indexOf(uid)));
    const start = event.find((l) => l.startsWith('DTSTART:'))!.slice(8);
    const moment = Date.parse(start.replace(/(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z/, '$1-$2-$3T$4:$5:$6Z'));
    expect(Math.abs(moment - (Date.now() + 4 * HOUR_MS))).toBeLessThan(60_000);
    expect(event.some((l) => l.startsWith(`SUMMARY:Look at ${code}`))).toBe(true);
    expect((await agenda()).filter((l) => l === uid)).toHaveLength(1);
  });
  it('holds the work that a piece out of its mould asks for', async () => {
    const code = await log('house-clear-6', { startedAt: hoursAgo(2.5), checks: [], pour: { releaseMist: true } });
    expect(
      (await agenda()).filter((l) => l.startsWith('SUMMARY:') && l.endsWith(code)).map((l) => l.split(' ')[0]),
    ).toEqual(expect.arrayContaining(['SUMMARY:Wash', 'SUMMARY:Prime', 'SUMMARY:Look']));
  });
  it('never breaks a line by more than 75 octets, as the format asks', async () => {
    const { text } = await request(studio.app).get('/api/v1/agenda.ics');
    expect(text.split('\r\n').every((l) => Buffer.byteLength(l) <= 75)).toBe(true);
  });
});

describe('what earlier pulls and pairs tell', () => {
  const pull = (spot: { x: number; y: number } | null, severity = 2) =>
    log('house-clear-6', {
      mould: { code: 'M-77' },
      checks: [
        {
          afterH: 24,
          symptoms: spot ? [{ kind: 'bubbles', pattern: 'same-spot', severity }] : [],
          ...(spot ? { spots: [{ cavity: 1, ...spot, kind: 'bubbles' }] } : {}),
          grade: 'second',
        },
      ],
    });
  it('gathers the marks of a mould over its pulls, and names the mould', async () => {
    for (const spot of [{ x: 0.6, y: 0.3 }, null, { x: 0.62, y: 0.31 }, null, { x: 0.61, y: 0.29 }]) await pull(spot);
    const { body } = await request(studio.app).get('/api/v1/moulds/M-77/spots').expect(200);
    const spots = body as MouldSpots;
    expect(spots.pulls).toBe(5);
    expect(spots.cavities).toHaveLength(1);
    expect(spots.cavities[0]).toMatchObject({ cavity: 1, spots: [{ verdict: 'mould', pulls: 5 }] });
  });
  it('is in the diagnosis of a stored batch without being sent', async () => {
    const code = await pull({ x: 0.6, y: 0.31 });
    const { body } = await request(studio.app).get(`/api/v1/batches/${code}/diagnosis`).expect(200);
    const first = body.symptoms[0].causes[0] as { id: string; evidence: { says: string }[] };
    expect(first.id).toBe('mould-flaw');
    // The mould's own page says the same of the same place, word for word.
    const { body: mould } = await request(studio.app).get('/api/v1/moulds/M-77/spots').expect(200);
    const said = (mould.cavities as { spots: { says: string; batches: string[] }[] }[])
      .flatMap((c) => c.spots)
      .find((s) => s.batches.includes(code))!.says;
    expect(said).toContain('Here in 4 of');
    expect(first.evidence.map((e) => e.says)).toContain(said);
  });
  it('knows how a pair went before, by what was cast in', async () => {
    await request(studio.app)
      .post('/api/v1/inclusions')
      .send({
        format: 'warm-jar.inclusion/1',
        code: 'I-90',
        what: 'waxed cord',
        kind: 'fabric',
        pairs: [
          { productSlug: 'house-clear-6', when: 'at-once', outcome: 'bad' },
          { productSlug: 'house-clear-6', when: 'next-day', outcome: 'bad' },
        ],
      })
      .expect(201);
    const code = await log('house-clear-6', {
      inclusions: [{ what: 'Waxed cord', kind: 'fabric', moisturePct: 4, sealed: true, treated: true }],
      checks: [{ afterH: 1, symptoms: [{ kind: 'inclusion-change', pattern: 'unspecified' }] }],
    });
    const { body } = await request(studio.app).get(`/api/v1/batches/${code}/diagnosis`).expect(200);
    expect(body.symptoms[0].causes[0].id).toBe('inclusion-reaction');
  });
});

describe('the demo studio', () => {
  it('has looks due today and a nicked mould to find', async () => {
    const demo = await testStudio({ cards: false });
    try {
      await fillDemo(demo, new Date());
      const { body } = await request(demo.app).get('/api/v1/moulds/M-12/spots').expect(200);
      expect((body as MouldSpots).cavities.find((c) => c.cavity === 2)?.spots[0]?.verdict).toBe('mould');
      const looks = (await request(demo.app).get('/api/v1/checks/due?days=3').expect(200)).body as {
        items: DueCheck[];
      };
      expect(looks.items.length).toBeGreaterThan(2);
      expect(saltmarshBatches(new Date()).length).toBeGreaterThan(looks.items.length);
    } finally {
      await demo.remove();
    }
  });
});
