import {
  DRILL_LEVELS,
  FAMILIES,
  drillAnswerSchema,
  drillAsks,
  drillSearch,
  drillCauses,
  drillResult,
  drillView,
  drillViewSchema,
  unitsQuerySchema,
  wordsIn,
  type DrillAnswer,
  type DrillCase,
  type DrillResult,
  type DrillView,
  type Say,
} from '@warm-jar/core';
import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { actorNow } from '../access/actor';
import { endpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';
import { newSeed, type DrillRun } from '../store/drillStore';
import type { DiagnosisRun, DrillStores } from '../store/drillStores';

const byId = z.object({ id: z.string().min(1).max(60) });
const wish = z.object({
  level: z.union(DRILL_LEVELS.map((l) => z.literal(l))),
  family: z.enum(FAMILIES).nullish(),
  /** Something that was confused and is due, where there is any. */
  again: z.boolean().default(false),
});
/** More than this nobody asks of one cast. */
const MAX_ASKED = 60;

const viewed = ({ id, person, doc }: DrillRun<DiagnosisRun>, say: Say): DrillView =>
  drillView(doc.case, { id, by: person, asked: doc.asked, result: doc.result, comesBack: doc.comesBack }, say);

const viewAnswer = { description: 'The drill as its trainee sees it', schema: drillViewSchema };

type Drills = Pick<DrillStores, 'diagnosis' | 'confusions'>;

/** Other requests are answered between two tries after so long, ms. */
const BUSY_MS = 15;

/** A drill's batch, found without holding up anybody else. */
async function found(search: ReturnType<typeof drillSearch>): Promise<DrillCase> {
  let since = performance.now();
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
    if (performance.now() - since > BUSY_MS) {
      await new Promise(setImmediate);
      since = performance.now();
    }
  }
}

const begin = ({ diagnosis: store, confusions }: Drills): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/drills',
      summary:
        'A made-up batch with a hidden cause, to be diagnosed; what was confused and is due where it is asked for',
      query: unitsQuerySchema,
      body: wish,
      answers: { 201: viewAnswer },
    },
    async ({ query, body }) => {
      const person = actorNow()?.person ?? null;
      const [confused] = body.again && person !== null ? await confusions.due(person) : [];
      const search = drillSearch(newSeed(), body.level, {
        family: confused ? undefined : (body.family ?? undefined),
        confused,
      });
      const made = await found(search);
      const run = await store.begin({ case: made, asked: [], result: null, comesBack: null });
      return { status: 201, body: viewed(run, wordsIn(query)) };
    },
  );

const show = ({ diagnosis: store }: Drills): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/drills/{id}',
      summary: 'A drill in diagnosis: what is seen, written and asked; what it was once it is answered',
      params: byId,
      query: unitsQuerySchema,
      answers: { 200: viewAnswer },
    },
    async ({ params, query }) => ({ status: 200, body: viewed(await store.get(params.id), wordsIn(query)) }),
  );

const ask = ({ diagnosis: store }: Drills): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/drills/{id}/questions',
      summary: 'Ask for a fact, have a figure read again, or try a test; it costs its minutes',
      params: byId,
      query: unitsQuerySchema,
      body: z.object({ ask: z.string().min(1).max(200) }),
      answers: { 200: viewAnswer },
    },
    async ({ params, query, body }) => {
      const run = await store.change(params.id, ({ doc }) => {
        if (!drillAsks(doc.case, doc.asked).some((a) => a.id === body.ask) || doc.asked.length >= MAX_ASKED)
          throw new Problem(422, 'not-offered', 'That cannot be asked here, or was asked already.', [
            { path: 'ask', message: 'Ask one of what the drill offers.' },
          ]);
        return { doc: { ...doc, asked: [...doc.asked, body.ask] } };
      });
      return { status: 200, body: viewed(run, wordsIn(query)) };
    },
  );

/** How well a cause was told, for what comes back; null where no pair of the catalogue's causes teaches it. */
function tellingOf(c: DrillCase, answer: DrillAnswer, result: DrillResult) {
  const [truth, second] = c.truth;
  if (truth === undefined || truth === 'something-else' || second !== undefined) return null;
  const surest = [...answer.shares].sort((a, b) => b.share - a.share)[0];
  const isNamed = surest !== undefined && surest.share > 0 && surest.id !== 'something-else';
  return {
    truth,
    among: drillCauses(c),
    share: result.shares.find((s) => s.id === truth)?.share ?? 0,
    takenFor: isNamed ? surest.id : null,
  };
}

const answer = ({ diagnosis: store, confusions }: Drills): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/drills/{id}/answer',
      summary: 'Spread sureness over the causes and choose a mend; then it is told what it was, and argued',
      params: byId,
      query: unitsQuerySchema,
      body: drillAnswerSchema,
      answers: { 200: viewAnswer },
    },
    async ({ params, query, body }) => {
      const say = wordsIn(query);
      // The ledger's own asking and its argument take a while: nobody's writing waits for them.
      const { doc: before } = await store.get(params.id);
      const result = drillResult(before.case, before.asked, body, say);
      const run = await store.change(params.id, async ({ person, doc }, transaction) => {
        if (doc.asked.length !== before.asked.length)
          throw new Problem(409, 'asked-meanwhile', 'Something was asked on another screen. Look at it, then answer.');
        const telling = tellingOf(doc.case, body, result);
        const comesBack = person === null || !telling ? null : await confusions.answered(person, telling, transaction);
        return { doc: { ...doc, result, comesBack }, ended: true };
      });
      return { status: 200, body: viewed(run, say) };
    },
  );

/** Drills in diagnosis: in a studio of their own, beside the log and never in it. */
export const drillRoutes = ({ drills }: AppDeps): Endpoint[] =>
  [begin, show, ask, answer].map((route) => route(drills));
