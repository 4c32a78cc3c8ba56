import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  SALTMARSH_CARDS,
  batchListQuerySchema,
  fairTrial,
  productSchema,
  saltmarshCard,
  saltmarshYear,
  soundBatch,
} from '@warm-jar/core';
import { QueryTypes } from 'sequelize';
import { batchRows } from '../server/src/store/batchRows';
import { factAsked, searchable } from '../server/src/store/searchWords';
import { openStudio, type Studio } from '../server/src/studio';
import { inlineLearner, type LearningRunner, type LogJob } from '../server/src/work/learningRunner';
import { median } from './median';

/** Logs as long as a studio's first month, its tenth year, and all that it will ever make. */
const SIZES = [1_000, 10_000, 100_000];
/** Batches stored in one transaction while the log is filled. */
const AT_ONCE = 1_000;

/** Years that a log is spread over. */
const YEARS = 40;

/**
 * A log of some length: the demo year over and over, each time under new codes and earlier. What the store works out
 * of a batch is worked out once for each of the year's and laid down again under the new code, so that the bench
 * waits for the disk alone.
 * @param mixed whether they are stored in no order of time, as old logs that were brought in are; else as they are made
 */
async function fill({ database }: Studio, size: number, mixed: boolean): Promise<void> {
  const year = saltmarshYear(new Date('2026-11-24T14:30:00Z')).map(({ batch }) => ({
    batch,
    ...batchRows(batch.code!, batch, saltmarshCard(batch.product.slug)),
  }));
  const at = new Date().toISOString();
  const begun = (i: number) =>
    `${2026 - (Math.floor(i / year.length) % YEARS)}${year[i % year.length]!.columns.startedAt!.slice(4)}`.replace(
      '-02-29',
      '-02-28',
    );
  const all = Array.from({ length: size }, (_, i) => ({ of: year[i % year.length]!, startedAt: begun(i) }));
  if (!mixed) all.sort((a, b) => (a.startedAt < b.startedAt ? -1 : 1));
  for (let from = 0; from < size; from += AT_ONCE) {
    const some = all.slice(from, from + AT_ONCE).map(({ of, startedAt }, i) => {
      const { batch, columns, castings, symptoms, marks } = of;
      const code = `B-${String(from + i + 1).padStart(6, '0')}`;
      const named = (text: string) => text.replaceAll(`"${batch.code!}"`, `"${code}"`);
      return {
        castings,
        symptoms,
        row: {
          code,
          version: 1,
          ...columns,
          marks,
          startedAt,
          search: `${columns.search.replace(batch.code!.toLowerCase(), '')} ${searchable(code)}`,
          facts: named(columns.facts),
          document: named(JSON.stringify(batch)),
          createdAt: at,
          updatedAt: at,
        },
      };
    });
    await database.write(async (transaction) => {
      await database.models.batches.bulkCreate(
        some.map((s) => s.row),
        { transaction },
      );
      await database.models.castings.bulkCreate(
        some.flatMap(({ castings, row }) => castings.map((k) => ({ ...k, batchCode: row.code }))),
        { transaction },
      );
      await database.models.symptoms.bulkCreate(
        some.flatMap(({ symptoms, row }) => symptoms.map((s) => ({ ...s, batchCode: row.code }))),
        { transaction },
      );
    });
  }
}

/** Median of what is told of each go, ms. */
async function medianOfTold(measured: () => Promise<number>, times = 7): Promise<number> {
  const taken: number[] = [];
  for (let i = 0; i < times; i += 1) taken.push(await measured());
  return taken.sort((a, b) => a - b)[Math.floor(times / 2)]!;
}

const medianOf = (work: () => Promise<unknown>, times = 7): Promise<number> =>
  medianOfTold(async () => {
    const from = performance.now();
    await work();
    return performance.now() - from;
  }, times);

interface Row {
  readonly what: string;
  readonly ours: number;
  readonly bare: number | null;
  /** What parsing a card took beside it, warm, ms: by that a loud machine is told from a quiet one. */
  readonly parse?: number;
}

const card = saltmarshCard('house-clear-6');
const parseMs = () =>
  median(() => {
    productSchema.parse(JSON.parse(JSON.stringify(card)));
  });

/** A row without bare SQL beside it; parsing a card is timed before it and after. */
async function row(what: string, measured: () => Promise<number>): Promise<Row> {
  const before = parseMs();
  const ours = await measured();
  return { what, ours, bare: null, parse: (before + parseMs()) / 2 };
}

const WORDS = 'WHERE number IN (SELECT rowid FROM batch_words WHERE batch_words MATCH ?)';
/** Batches written while the log is read. */
const WRITES = 25;

/** Median time of writing a batch by itself, ms; to make one up is none of it. */
async function written({ batches }: Studio, named = 'V'): Promise<number> {
  let next = 0;
  return medianOfTold(async () => {
    next += 1;
    const batch = soundBatch('house-clear-6', { code: `${named}-${next}` });
    const from = performance.now();
    await batches.create(batch);
    return performance.now() - from;
  }, WRITES);
}

/** The same while lists are asked for without end. */
async function writtenMeanwhile(studio: Studio, read: () => Promise<unknown>): Promise<number> {
  let stop = false;
  const readOn = async (): Promise<void> => {
    while (!stop) await read();
  };
  const reading = readOn();
  const ms = await written(studio, 'W');
  stop = true;
  await reading;
  return ms;
}

/** Lists as a browser is given them, packed and all; each asked first after a write too, when its answers are counted. */
async function byHttp({ app, batches }: Studio): Promise<Row[]> {
  const server = app.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  const ask = async (query: string) => {
    const answer = await fetch(`http://127.0.0.1:${port}/api/v1/batches?pageSize=25${query}`);
    if (!answer.ok) throw new Error(await answer.text());
    await answer.text();
  };
  let next = 0;
  const afterWrite = (query: string) =>
    medianOfTold(async () => {
      next += 1;
      await batches.create(soundBatch('house-clear-6', { code: `H-${next}` }));
      const from = performance.now();
      await ask(query);
      return performance.now() - from;
    });
  const asked = {
    'first page': '',
    'by words': '&search=house%20clear',
    'by a grade': '&grade=pass',
    'a product, a grade': '&product=house-clear-6&grade=pass',
    'done, a grade': '&stage=done&grade=pass',
    'a person, a grade': '&by=KO&grade=pass',
    'a word, a product': '&search=house&product=house-clear-6',
    'a word, a grade': '&search=house&grade=pass',
    'a word, a symptom': '&search=house&symptom=bubbles',
    'a fact, a grade': '&fact=pressing:late&grade=scrap',
    'a word, a fact': '&search=house&fact=pressing:late',
  };
  const rows: Row[] = [];
  for (const [what, query] of Object.entries(asked)) {
    rows.push(await row(`${what}, by HTTP`, () => afterWrite(query)));
    rows.push(await row('  again', () => medianOf(() => ask(query))));
  }
  server.close();
  server.closeAllConnections();
  return rows;
}

/** What is learned from all batches: as it is first asked, when nothing is known of the log, and after one batch more. */
async function learned({ facts, batches, products }: Studio): Promise<Row[]> {
  const never = new AbortController().signal;
  const cards = await products.list();
  const jobs: Record<'patterns' | 'figures' | 'month', LogJob> = {
    patterns: { what: 'patterns', names: {}, lots: [] },
    figures: { what: 'figures', cards, lots: [], moulds: [] },
    month: { what: 'month', month: '2026-10', lots: [] },
  };
  const asking = (learner: LearningRunner) => (job: LogJob) => learner.run(job, facts.feed, () => undefined, never);
  const ask = asking(inlineLearner());
  let next = 0;
  // At the end of the log, where batches come, or among those of a spring.
  const atEnd = () => new Date(Date.UTC(2026, 11, 31, 23) + next * 1000).toISOString();
  const afterOne = (job: LogJob, among: boolean) => async () => {
    next += 1;
    await batches.create(soundBatch('house-clear-6', { code: `L-${next}`, ...(among ? {} : { startedAt: atEnd() }) }));
    const from = performance.now();
    await ask(job);
    return performance.now() - from;
  };
  const medianAfterOne = (job: LogJob, among = false) => medianOfTold(afterOne(job, among));
  // Nothing is kept of the log before it was asked for the first time; its parts are kept with the answer.
  const unkept = { ...facts.feed, kept: () => Promise.resolve([]), keep: () => Promise.resolve() };
  const first = () => medianOf(() => inlineLearner().run(jobs.patterns, unkept, () => undefined, never), 3);
  // As a thread does it that has just begun: nothing else lies in its memory.
  const started = async () => {
    await asking(inlineLearner())(jobs.patterns);
    return medianOf(() => asking(inlineLearner())(jobs.patterns), 3);
  };
  return [
    await row('patterns, first of all', first),
    await row('patterns, after a start', started),
    await row('patterns, after a batch', () => medianAfterOne(jobs.patterns)),
    await row('  one in its midst', () => medianAfterOne(jobs.patterns, true)),
    await row('own figures, after one', () => medianAfterOne(jobs.figures)),
    await row('the month, after one', () => medianAfterOne(jobs.month)),
  ];
}

async function measure(size: number, mixed: boolean): Promise<{ rows: Row[]; filledMs: number }> {
  const folder = mkdtempSync(join(tmpdir(), 'warm-jar-scale-'));
  const studio = await openStudio({ file: join(folder, 'studio.sqlite') });
  try {
    await studio.products.addAll(SALTMARSH_CARDS);
    const from = performance.now();
    await fill(studio, size, mixed);
    const filledMs = performance.now() - from;
    const sql = (text: string, replacements: unknown[] = []) =>
      studio.database.sequelize.query(text, { type: QueryTypes.SELECT, replacements });
    const list = (query: Record<string, string>) =>
      studio.batches.list(batchListQuerySchema.parse({ pageSize: '25', ...query }));
    const twice = (text: string, where: string, values: unknown[] = []) =>
      Promise.all([
        sql(`SELECT COUNT(*) FROM batches ${where}`, values),
        sql(`${text} ${where} ORDER BY started_at DESC, code DESC LIMIT 25`, values),
      ]);
    const columns = 'SELECT code, started_at, product_slug, mould, by, stage, outside, grade FROM batches';
    const dozen = await Promise.all(
      Array.from(
        { length: 12 },
        async (_, i) => (await studio.batches.get(`B-${String(i + 1).padStart(6, '0')}`)).batch,
      ),
    );
    const rows: Row[] = [
      {
        what: 'first page of the log',
        ours: await medianOf(() => list({})),
        bare: await medianOf(() => twice(columns, '')),
      },
      {
        what: 'last page of the log',
        ours: await medianOf(() => list({ page: String(Math.floor(size / 25)) })),
        bare: await medianOf(() =>
          Promise.all([
            sql('SELECT COUNT(*) FROM batches'),
            sql(`${columns} ORDER BY started_at DESC, code DESC LIMIT 25 OFFSET ${size - 25}`),
          ]),
        ),
      },
      {
        what: 'by mould',
        ours: await medianOf(() => list({ mould: 'M-12' })),
        bare: await medianOf(() => twice(columns, 'WHERE mould = ?', ['M-12'])),
      },
      {
        what: 'by symptom and product',
        ours: await medianOf(() => list({ symptom: 'bubbles', product: 'house-clear-6' })),
        bare: await medianOf(() =>
          twice(
            columns,
            "WHERE product_slug = ? AND code IN (SELECT batch_code FROM batch_symptoms WHERE kind = 'bubbles')",
            ['house-clear-6'],
          ),
        ),
      },
      {
        what: 'by words',
        ours: await medianOf(() => list({ search: 'house clear' })),
        bare: await medianOf(() => twice(columns, WORDS, ['"house"* AND "clear"*'])),
      },
      {
        what: 'by a part of a code',
        ours: await medianOf(() => list({ search: '0399' })),
        bare: await medianOf(() => twice(columns, WORDS, ['"0399"*'])),
      },
      {
        what: 'by a factor',
        ours: await medianOf(() => list({ fact: 'pressing:late' })),
        bare: await medianOf(() => twice(columns, WORDS, [factAsked('pressing:late')])),
      },
      {
        what: 'by a grade',
        ours: await medianOf(() => list({ grade: 'pass' })),
        bare: await medianOf(() =>
          twice(columns, "WHERE code IN (SELECT batch_code FROM castings WHERE grade = 'pass')"),
        ),
      },
      {
        what: 'faultless',
        ours: await medianOf(() => list({ symptom: 'none' })),
        bare: await medianOf(() => twice(columns, 'WHERE code NOT IN (SELECT batch_code FROM batch_symptoms)')),
      },
      await row('a batch written', () => written(studio)),
      await row('  beside searches', () => writtenMeanwhile(studio, () => list({ search: 'house' }))),
      await row('twelve side by side', () =>
        Promise.resolve(
          median(() => {
            fairTrial(dozen);
          }, 9),
        ),
      ),
      ...(await byHttp(studio)),
      ...(await learned(studio)),
    ];
    return { rows, filledMs };
  } finally {
    await studio.close();
    rmSync(folder, { recursive: true, force: true });
  }
}

/**
 * Prints the log's times at three lengths against the bare SQL of the same question, and how they grow.
 * @param mixed whether the log was stored in no order of time
 */
export async function printScale(mixed: boolean): Promise<void> {
  const all: { size: number; rows: Row[] }[] = [];
  for (const size of SIZES) {
    const { rows, filledMs } = await measure(size, mixed);
    all.push({ size, rows });
    console.log(
      `\na log of ${size} batches (stored in ${(filledMs / 1000).toFixed(1)} s)\nwhat                          ms    bare SQL    times it    parsing      grows as n^`,
    );
    const before = all.at(-2);
    for (const [i, r] of rows.entries()) {
      const grown = before ? Math.log10(r.ours / before.rows[i]!.ours).toFixed(2) : '';
      const told = (value: number | null | undefined, digits: number) => (value == null ? '' : value.toFixed(digits));
      const cells = [
        told(r.ours, 2).padStart(9),
        told(r.bare, 2).padStart(11),
        told(r.bare && r.ours / r.bare, 1).padStart(11),
        told(r.parse, 2).padStart(10),
        grown.padStart(14),
      ];
      console.log(`${r.what.padEnd(24)} ${cells.join(' ')}`);
    }
  }
}
