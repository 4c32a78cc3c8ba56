import {
  DRILL_LEVELS,
  FAMILIES,
  QUICK_TOPICS,
  causeTitle,
  drillPeopleSchema,
  drillProgress,
  drillProgressSchema,
  drillSummarySchema,
  type DrillDone,
  type DrillProgress,
} from '@warm-jar/core';
import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { actorNow } from '../access/actor';
import { endpoint, type Endpoint } from '../http/endpoint';
import type { DrillStores } from '../store/drillStores';

/** Of a quick drill: what it was, and how it went. */
const quickParts = z.object({ topic: z.enum(QUICK_TOPICS), right: z.coerce.boolean(), inTime: z.coerce.boolean() });
const QUICK_PARTS = {
  topic: "json_extract(doc, '$.topic')",
  right: "json_extract(doc, '$.result.right')",
  inTime: "json_extract(doc, '$.result.inTime')",
};
/** Of a drill in diagnosis: all but what was asked and argued. */
const diagnosisParts = z.object({
  level: z.union(DRILL_LEVELS.map((l) => z.literal(l))),
  family: z.enum(FAMILIES),
  result: drillSummarySchema,
});
const DIAGNOSIS_PARTS = {
  level: "json_extract(doc, '$.case.level')",
  family: "json_extract(doc, '$.case.product.family')",
  result: "json_remove(json_extract(doc, '$.result'), '$.steps')",
};
/** Of a run at the bench: whether its cast was lost, and how many faults it has. */
const benchParts = z.object({ lost: z.coerce.boolean(), faults: z.number() });
const BENCH_PARTS = {
  lost: "json_extract(doc, '$.result.lost')",
  faults: "json_array_length(doc, '$.result.faults')",
};

async function quickOf({ quick }: DrillStores, person: string | null): Promise<DrillProgress['quick']> {
  const all = (await quick.ended(person, QUICK_PARTS, quickParts)).map((run) => run.parts);
  return QUICK_TOPICS.map((topic) => {
    const of = all.filter((r) => r.topic === topic);
    return {
      topic,
      times: of.length,
      right: of.filter((r) => r.right).length,
      inTime: of.filter((r) => r.right && r.inTime).length,
    };
  });
}

async function benchOf({ bench }: DrillStores, person: string | null): Promise<DrillProgress['bench']> {
  const all = (await bench.ended(person, BENCH_PARTS, benchParts)).map((run) => run.parts);
  return { times: all.length, sound: all.filter((r) => !r.lost && r.faults === 0).length };
}

async function progressOf(stores: DrillStores, person: string | null): Promise<DrillProgress> {
  const runs = await stores.diagnosis.ended(person, DIAGNOSIS_PARTS, diagnosisParts);
  const done = runs.map(({ at, parts }): DrillDone => ({ at, ...parts }));
  const [confusions, due] =
    person === null ? [[], []] : await Promise.all([stores.confusions.all(person), stores.confusions.due(person)]);
  return {
    person,
    ...drillProgress(done),
    confusions: confusions.map((c) => ({ ...c, titles: [causeTitle(c.cause), causeTitle(c.takenFor)] })),
    due: due.length,
    bench: await benchOf(stores, person),
    quick: await quickOf(stores, person),
  };
}

/** How far somebody is, and for a lead, who is how far. */
export const drillProgressRoutes = ({ drills, people }: AppDeps): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/drill-progress',
      summary: 'What the drills say of who asks: sureness that came true, by level, family and cause; what comes back',
      answers: { 200: { description: 'Progress', schema: drillProgressSchema } },
    },
    async () => ({ status: 200, body: await progressOf(drills, actorNow()?.person ?? null) }),
  ),
  endpoint(
    {
      method: 'get',
      path: '/drill-progress/people',
      summary: 'Who is how far, for a lead',
      answers: { 200: { description: 'Everybody who took a drill', schema: drillPeopleSchema } },
    },
    async () => {
      const codes = [...new Set((await people.people()).map((p) => p.code))];
      const all = await Promise.all(codes.map((code) => progressOf(drills, code)));
      const items = all.filter((p) => p.times + p.bench.times > 0 || p.quick.some((q) => q.times > 0));
      return { status: 200, body: { items } };
    },
  ),
];
