import {
  benchViewSchema,
  drillPeopleSchema,
  drillProgressSchema,
  drillViewSchema,
  quickViewSchema,
  type BenchAct,
  type BenchView,
  type DrillAnswer,
  type DrillLevel,
  type DrillProgress,
  type DrillView,
  type Family,
  type QuickAnswer,
  type QuickTopic,
  type QuickView,
  type UnitChoice,
} from '@warm-jar/core';
import { read, send, withJson } from './http';

const inUnits = (path: string, units: UnitChoice) => `${path}?${new URLSearchParams({ ...units }).toString()}`;
const at = (kind: string, id: string, rest = '') => `/${kind}/${encodeURIComponent(id)}${rest}`;

/** Drills: figures in sentences are in the units that are chosen, those sent are in stored ones. */
export const drillApi = {
  begin: async (
    wish: { level: DrillLevel; family: Family | null; again: boolean },
    units: UnitChoice,
  ): Promise<DrillView> => read(drillViewSchema, await send(inUnits('/drills', units), withJson('POST', wish))),
  get: async (id: string, units: UnitChoice): Promise<DrillView> =>
    read(drillViewSchema, await send(inUnits(at('drills', id), units))),
  ask: async (id: string, ask: string, units: UnitChoice): Promise<DrillView> =>
    read(drillViewSchema, await send(inUnits(at('drills', id, '/questions'), units), withJson('POST', { ask }))),
  answer: async (id: string, answer: DrillAnswer, units: UnitChoice): Promise<DrillView> =>
    read(drillViewSchema, await send(inUnits(at('drills', id, '/answer'), units), withJson('POST', answer))),
  beginBench: async (units: UnitChoice): Promise<BenchView> =>
    read(benchViewSchema, await send(inUnits('/bench-drills', units), { method: 'POST' })),
  getBench: async (id: string, units: UnitChoice): Promise<BenchView> =>
    read(benchViewSchema, await send(inUnits(at('bench-drills', id), units))),
  act: async (id: string, act: BenchAct, units: UnitChoice): Promise<BenchView> =>
    read(benchViewSchema, await send(inUnits(at('bench-drills', id, '/acts'), units), withJson('POST', act))),
  progress: async (): Promise<DrillProgress> => read(drillProgressSchema, await send('/drill-progress')),
  people: async (): Promise<DrillProgress[]> =>
    (await read(drillPeopleSchema, await send('/drill-progress/people'))).items,
  beginQuick: async (topic: QuickTopic, units: UnitChoice): Promise<QuickView> =>
    read(quickViewSchema, await send(inUnits('/quick-drills', units), withJson('POST', { topic }))),
  getQuick: async (id: string, units: UnitChoice): Promise<QuickView> =>
    read(quickViewSchema, await send(inUnits(at('quick-drills', id), units))),
  answerQuick: async (id: string, answer: QuickAnswer, units: UnitChoice): Promise<QuickView> =>
    read(quickViewSchema, await send(inUnits(at('quick-drills', id, '/answer'), units), withJson('POST', answer))),
};
