import { parentPort } from 'node:worker_threads';
import type { PlanRequest, UnitChoice } from '@warm-jar/core';
import { makePlan } from './planRunner';

/** What a planning thread is asked and answers; `id` ties the two. */
export interface PlanJob {
  readonly id: number;
  readonly request: PlanRequest;
  readonly units: UnitChoice;
}

parentPort?.on('message', ({ id, request, units }: PlanJob) => {
  try {
    parentPort?.postMessage({ id, outcome: makePlan(request, units) });
  } catch (error) {
    parentPort?.postMessage({ id, failure: error instanceof Error ? error.message : String(error) });
  }
});
