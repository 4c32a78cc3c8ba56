import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  batchFacts,
  logBook,
  patternsIn,
  saltmarshCard,
  saltmarshYear,
  soundBatch,
  type Batch,
  type BookEntry,
} from '@warm-jar/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openStudio, type Studio } from '../studio';
import { entriesOf, type LogState } from '../work/logFeed';

const folder = mkdtempSync(join(tmpdir(), 'warm-jar-feed-'));
const YEAR = saltmarshYear(new Date('2026-11-24T14:30:00Z')).map(({ batch }) => batch);
const SOME = YEAR.filter((_, i) => i % 6 === 0);
let studio: Studio;
beforeAll(async () => {
  studio = await openStudio({ file: join(folder, 'studio.sqlite') });
  const slugs = [...new Set([...SOME.map((b) => b.product.slug), 'house-clear-6'])];
  await studio.products.addAll(slugs.map((slug) => saltmarshCard(slug)));
  await studio.batches.addAll(SOME);
}, 60_000);
afterAll(async () => {
  await studio.database.close();
  rmSync(folder, { recursive: true, force: true });
});

async function told(since: LogState | null): Promise<{ entries: BookEntry[]; upTo: LogState | null; anew: boolean }> {
  const entries: BookEntry[] = [];
  let [upTo, anew]: [LogState | null, boolean] = [since, false];
  for await (const change of studio.facts.feed.since(since, false)) {
    entries.push(...entriesOf(change));
    upTo = change.upTo ?? upTo;
    anew ||= change.anew === true;
  }
  return { entries, upTo, anew };
}
const factsOf = (batch: Batch) => batchFacts(saltmarshCard(batch.product.slug), batch);

describe('a log that tells what changed', () => {
  it('tells every batch once, with its facts as they were worked out', async () => {
    const { entries, upTo, anew } = await told(null);
    expect([anew, upTo]).toEqual([true, { at: SOME.length, held: [] }]);
    expect(entries.map((e) => e.code).sort()).toEqual(SOME.map((b) => b.code).sort());
    const byCode = new Map(entries.map((e) => [e.code, e]));
    for (const batch of SOME) {
      expect(byCode.get(batch.code!)!.facts).toEqual(JSON.parse(JSON.stringify(factsOf(batch))));
      expect(byCode.get(batch.code!)!.at).toBe(new Date(batch.startedAt!).toISOString());
    }
    expect(await told(upTo)).toEqual({ entries: [], upTo, anew: false });
  });
  it('tells afterwards only what came, changed and went, the latest of each once', async () => {
    const { entries: before, upTo } = await told(null);
    const book = logBook();
    book.change(before);
    const { batch: made } = await studio.batches.create(soundBatch('house-clear-6', { code: 'N-1', startedAt: null }));
    const changed = await studio.batches.replace(made.code!, 1, { ...made, by: 'KO' });
    await studio.batches.replace(made.code!, changed.version, { ...made, note: 'A word that is no fact.' });
    const last = SOME.at(-1)!;
    await studio.batches.remove(last.code!, 1);
    const { entries, upTo: now } = await told(upTo);
    expect(entries).toEqual([
      expect.objectContaining({ code: 'N-1', at: null }),
      { code: last.code, at: null, facts: null },
    ]);
    expect(entries[0]!.facts!.levels.person).toBe(made.by ?? undefined);
    expect(await told(now)).toMatchObject({ entries: [] });
    // Kept up to date, it is what it would be if it were read anew: a batch without a day too.
    book.change(entries);
    const anew = logBook();
    anew.change((await told(null)).entries);
    expect(book.view().facts).toEqual(anew.view().facts);
    expect(patternsIn(book.view())).toEqual(patternsIn(anew.view()));
    expect(book.view().facts.filter((f) => f.startedAt === null)).toHaveLength(1);
  });
  it('moves its version on with what is learned from, and not with what is not', async () => {
    const before = await studio.facts.version();
    const { batch, version } = await studio.batches.create(soundBatch('house-clear-6', { code: 'N-2' }));
    const after = await studio.facts.version();
    expect(after).not.toBe(before);
    await studio.batches.replace('N-2', version, { ...batch, note: 'Nothing that is counted.' });
    expect(await studio.facts.version()).toBe(after);
    await studio.shelf.moulds.create({ format: 'warm-jar.mould/1', code: 'M-90', hollow: true });
    expect(await studio.facts.version()).not.toBe(after);
  });
});
