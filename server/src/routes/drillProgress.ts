import {
  QUICK_TOPICS,
  causeTitle,
  drillPeopleSchema,
  drillProgress,
  drillProgressSchema,
  type DrillDone,
  type DrillProgress,
} from '@warm-jar/core';
import type { AppDeps } from '../appDeps';
import { actorNow } from '../access/actor';
import { endpoint, type Endpoint } from '../http/endpoint';
import type { DrillStores } from '../store/drillStores';

async function quickOf({ quick }: DrillStores, person: string | null): Promise<DrillProgress['quick']> {
  const all = (await quick.ended(person)).flatMap(({ doc }) =>
    doc.result ? [{ topic: doc.topic, ...doc.result }] : [],
  );
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

async function progressOf(stores: DrillStores, person: string | null): Promise<DrillProgress> {
  const runs = await stores.diagnosis.ended(person);
  const done = runs.flatMap(({ endedAt, doc }): DrillDone[] =>
    doc.result && endedAt !== null
      ? [{ at: endedAt, level: doc.case.level, family: doc.case.product.family, result: doc.result }]
      : [],
  );
  const [confusions, due] =
    person === null ? [[], []] : await Promise.all([stores.confusions.all(person), stores.confusions.due(person)]);
  return {
    person,
    ...drillProgress(done),
    confusions: confusions.map((c) => ({ ...c, titles: [causeTitle(c.cause), causeTitle(c.takenFor)] })),
    due: due.length,
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
      const items = all.filter((p) => p.times > 0 || p.quick.some((q) => q.times > 0));
      return { status: 200, body: { items } };
    },
  ),
];
