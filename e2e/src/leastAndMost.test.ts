import { soundBatch, SYMPTOM_KINDS } from '@warm-jar/core';
import { afterAll, beforeAll, describe, it } from 'vitest';
import { startApplication, type Application } from './application';
import { Bench } from './browser';
import { EMPTY_VIEWS } from './everyView';
import { standsAtEverySize } from './pageFindings';

/**
 * A phone's layout and a screen's: what is in a record changes what is there, not how it is marked up at each width.
 */
const LAYOUTS = [390, 1280];

/** A word that nobody can break: the longest that a note may bring. */
const LONG = 'unbreakable'.repeat(12);

/** What each view of a batch shows once it stands, whatever is in the record. */
const VIEWS = [
  ['batch', '', 'main h1'],
  ['change', '/edit', '[data-path="room.temperatureC"] input'],
  ['check', '/check', '.tile'],
  ['diagnosis', '/diagnosis', 'main h1'],
  ['mend', '/mend', 'main h1'],
  ['bench', '/bench', '[data-test="step"]'],
  ['bench sheet', '/sheet', '.sheet'],
] as const;

/** As much as a record holds that somebody filled in with all their heart. */
const most = () => ({
  ...soundBatch('house-clear-6'),
  code: 'X-MOST',
  note: `${LONG} ${'a long note, with everything that happened that day. '.repeat(20)}`,
  by: 'KO',
  mould: { code: 'M-12', cavity: 1 },
  additives: Array.from({ length: 6 }, (_, i) => ({
    name: `${LONG.slice(0, 60)} ${i}`,
    kind: 'dye',
    massG: 0.4 + i,
    applied: 'mixed',
  })),
  castings: Array.from({ length: 12 }, (_, i) => ({
    id: `k${i + 1}`,
    mould: { code: 'M-12', cavity: (i % 3) + 1 },
    grade: 'second',
    reason: LONG.slice(0, 90),
    price: 1234.5,
  })),
  checks: Array.from({ length: 4 }, (_, i) => ({
    afterH: 24 * (i + 1),
    note: LONG,
    symptoms: SYMPTOM_KINDS.map((kind) => ({ kind, pattern: 'unspecified', severity: 3, where: LONG.slice(0, 80) })),
  })),
});
const least = () => ({ format: 'warm-jar.batch/1', code: 'X-LEAST', product: { slug: 'house-clear-6', revision: 1 } });

async function opened(demo: boolean): Promise<{ application: Application; page: Bench }> {
  const application = await startApplication({ demo });
  return { application, page: await Bench.open(application.address) };
}

describe('every place of a studio that has nothing yet', () => {
  let empty: Awaited<ReturnType<typeof opened>>;
  beforeAll(async () => {
    empty = await opened(false);
  });
  afterAll(async () => {
    await empty.page.close();
    await empty.application.stop();
  });
  it.each(EMPTY_VIEWS)('%s says so, fits every size, and passes axe', async (_name, path) => {
    await standsAtEverySize(empty.page, path, path === '/board' ? '.board' : 'main h1, main h2, main form', LAYOUTS);
  });
});

describe.each([
  ['least', 'X-LEAST', least],
  ['most', 'X-MOST', most],
] as const)('a record with the %s in it', (_much, code, record) => {
  let demo: Awaited<ReturnType<typeof opened>>;
  beforeAll(async () => {
    demo = await opened(true);
    const answer = await fetch(`${demo.application.address}/api/v1/batches`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(record()),
    });
    if (!answer.ok) throw new Error(await answer.text());
  });
  afterAll(async () => {
    await demo.page.close();
    await demo.application.stop();
  });
  it.each(VIEWS)('stands as its %s at every size', async (_view, path, ready) => {
    await standsAtEverySize(demo.page, `/batches/${code}${path}`, ready, LAYOUTS);
  });
});
