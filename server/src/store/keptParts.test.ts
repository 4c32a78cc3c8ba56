import { mkdtempSync, readdirSync, rmSync, truncateSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chanceFrom, saltmarshCard, saltmarshYear, type Batch, type Patterns } from '@warm-jar/core';
import { expectSame } from '@warm-jar/core/testing/same';
import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openStudio, type Studio } from '../studio';
import { inlineLearner, type LogJob } from '../work/learningRunner';
import type { LogFeed } from '../work/logFeed';

const folder = mkdtempSync(join(tmpdir(), 'warm-jar-parts-'));
const YEAR = saltmarshYear(new Date('2026-11-24T14:30:00Z')).map(({ batch }) => batch);
const [SOME, MORE] = [YEAR.filter((_, i) => i % 2 === 0), YEAR.filter((_, i) => i % 2 === 1)];
/** Batches of one part here, so that a short log lies in several. */
const PART = 20;
let studio: Studio;
beforeAll(async () => {
  studio = await openStudio({ file: join(folder, 'studio.sqlite') });
  await studio.products.addAll([...new Set(YEAR.map((b) => b.product.slug))].map((slug) => saltmarshCard(slug)));
  await studio.batches.addAll(SOME);
}, 60_000);
afterAll(async () => {
  await studio.close();
  rmSync(folder, { recursive: true, force: true });
});

const never = new AbortController().signal;
const lots = [
  { format: 'warm-jar.lot/1', code: 'A-1', productSlug: 'house-clear-6', part: 'A', price: 60, sizeG: 1000 },
];
const PATTERNS = { what: 'patterns', names: {}, lots } as unknown as LogJob;
const ask = (learner = inlineLearner(PART), job: LogJob = PATTERNS, log: LogFeed = studio.facts.feed) =>
  learner.run(job, log, () => undefined, never);
/** Read batch by batch, knowing nothing of what is kept. */
const plainly = () =>
  ask(inlineLearner(PART), PATTERNS, {
    ...studio.facts.feed,
    since: () => studio.facts.feed.since(null, true),
    keep: () => Promise.resolve(),
  });
const rows = () =>
  studio.database.sequelize.query<{ id: string; first_at: string; first_code: string }>(
    'SELECT * FROM kept_parts ORDER BY first_at, first_code',
    { type: QueryTypes.SELECT },
  );
const files = () => readdirSync(join(folder, 'learned'));
/** How many batches and kept parts are told of the whole log. */
async function told(): Promise<{ parts: number; batches: number }> {
  let [parts, batches] = [0, 0];
  for await (const change of studio.facts.feed.since(null, false)) {
    if (change.held) parts += 1;
    batches += change.rows === '' ? 0 : (JSON.parse(`[${change.rows}]`) as unknown[]).length;
  }
  return { parts, batches };
}

describe('parts of the log that are kept as columns', () => {
  it('stand for their batches the next time it is asked, and answer the same', async () => {
    const plain = await plainly();
    expect(await rows()).toEqual([]);
    const first = await ask();
    expectSame(first, plain);
    expect((first as Patterns).findings.length).toBeGreaterThan(0);
    const kept = await rows();
    expect(kept.length).toBe(Math.floor((SOME.length - 1) / PART));
    expect(files().sort()).toEqual(kept.map(({ id }) => `${id}.columns`).sort());
    expect(await told()).toEqual({ parts: kept.length, batches: SOME.length - kept.length * PART });
    expectSame(await ask(), plain);
    // What is kept already is not kept anew.
    expect(await rows()).toEqual(kept);
  });
  it('are let go with the first of their batches that is another, and no others are', async () => {
    const before = await rows();
    const inThird = SOME.map((b) => ({ code: b.code!, at: new Date(b.startedAt!).toISOString() }))
      .filter(({ at, code }) => `${at} ${code}` >= `${before[2]!.first_at} ${before[2]!.first_code}`)
      .sort((a, b) => (a.at < b.at ? -1 : 1))[3]!;
    const { batch, version } = await studio.batches.get(inThird.code);
    const same = await studio.batches.replace(inThird.code, version, { ...batch, note: 'A word that is no fact.' });
    expect(await rows()).toEqual(before);
    const living = inlineLearner(PART);
    await ask(living);
    await studio.batches.replace(inThird.code, same.version, { ...batch, by: 'KO', checks: [] });
    expect((await rows()).map(({ id }) => id)).toEqual(before.filter((_, i) => i !== 2).map(({ id }) => id));
    const plain = await plainly();
    expectSame(await ask(living), plain);
    expectSame(await ask(), plain);
    expect(await rows()).toHaveLength(before.length);
    expect(files()).toHaveLength(before.length);
  });
  it('tell what a log read anew tells, whatever came, moved, changed and went, and whatever was asked between', async () => {
    const chance = chanceFrom(7);
    const pick = <T>(from: readonly T[]): T => from[Math.floor(chance.between(0, from.length))]!;
    const living = inlineLearner(PART);
    const codes = SOME.map((b) => b.code!);
    const changed = async (): Promise<void> => {
      const [code, other] = [pick(codes), pick(YEAR)];
      const { batch, version } = await studio.batches.get(code);
      const next: Batch = chance.flip(0.5)
        ? { ...batch, startedAt: chance.flip(0.2) ? null : other.startedAt }
        : { ...batch, by: pick(['KO', 'MT']), checks: other.checks };
      await studio.batches.replace(code, version, next);
    };
    const steps = [
      changed,
      changed,
      async () => {
        const batch = MORE.pop()!;
        await studio.batches.create(batch);
        codes.push(batch.code!);
      },
      async () => {
        const [code] = codes.splice(Math.floor(chance.between(0, codes.length)), 1);
        await studio.batches.remove(code!, (await studio.batches.get(code!)).version);
      },
    ];
    for (let round = 0; round < 12; round += 1) {
      for (let i = 0; i < 1 + (round % 4); i += 1) await pick(steps)();
      if (round % 5 === 4) await ask(living, { what: 'chart', kind: null });
      const plain = await plainly();
      expectSame(await ask(living), plain, `kept up to date, round ${round}`);
      expectSame(await ask(), plain, `begun anew, round ${round}`);
      const at = '2026-06-01T00:00:00.000Z';
      if (round % 4 === 3)
        expect(await ask(living, { ...PATTERNS, from: at })).toEqual(
          await ask(inlineLearner(PART), { ...PATTERNS, from: at }),
        );
    }
    expect((await told()).parts).toBeGreaterThan(3);
  }, 120_000);
  it('are worked out anew where a file is damaged, gone, or of another form', async () => {
    const plain = await ask();
    const [one, other, third] = await rows();
    truncateSync(join(folder, 'learned', `${one!.id}.columns`), 100);
    rmSync(join(folder, 'learned', `${other!.id}.columns`));
    await studio.database.sequelize.query("UPDATE kept_parts SET form = 'of another version' WHERE id = ?", {
      replacements: [third!.id],
    });
    const before = (await rows()).length;
    expect((await told()).parts).toBe(before - 3);
    expectSame(await ask(), plain);
    // And are kept again.
    expect((await told()).parts).toBe(before);
    expectSame(await ask(), plain);
    // No path leads out of the folder, whatever a table says that somebody brought.
    await studio.database.sequelize.query("UPDATE kept_parts SET id = '../../studio' WHERE id = ?", {
      replacements: [(await rows())[0]!.id],
    });
    expect((await told()).parts).toBe(before - 1);
    expect(await rows()).toHaveLength(before - 1);
  });
  it('are not kept where the table would find other batches between their ends', async () => {
    await studio.database.sequelize.query('DELETE FROM kept_parts');
    let leftOut = '';
    await ask(inlineLearner(PART), PATTERNS, {
      ...studio.facts.feed,
      keep: (parts, at) => {
        leftOut = parts[1]!.range[1];
        return studio.facts.feed.keep(
          parts.map((part, i) => (i === 1 ? { ...part, batches: part.batches + 1 } : part)),
          at,
        );
      },
    });
    const kept = await rows();
    expect(kept.length).toBeGreaterThan(1);
    expect(files()).toHaveLength(kept.length);
    expect(kept.map((row) => row.first_code)).not.toContain(leftOut);
    // The one that was left out is kept the next time.
    await ask();
    expect((await rows()).map((row) => row.first_code)).toContain(leftOut);
  });
  it('are not kept where the log changed since it was read', async () => {
    await studio.database.sequelize.query('DELETE FROM kept_parts');
    let isKept = false;
    await ask(inlineLearner(PART), PATTERNS, {
      ...studio.facts.feed,
      keep: async (parts, at) => {
        const batch = MORE.pop()!;
        await studio.batches.create(batch);
        await studio.facts.feed.keep(parts, at);
        isKept = true;
      },
    });
    expect([isKept, await rows(), files()]).toEqual([true, [], []]);
  });
});
