import { parentPort, workerData } from 'node:worker_threads';
import { learningDesk, ratesOf, type RatesJob } from './learningRunner';
import type { ToDesk } from './threadLearner';

const port = parentPort;
if (port !== null && workerData !== null) {
  // One thread, one job: what it was begun with, its result.
  port.postMessage({ result: ratesOf(workerData as RatesJob) });
} else if (port !== null) {
  // A desk that stays: it is told what changed in a log, and then asked.
  const desk = learningDesk();
  port.on('message', (told: ToDesk) => {
    if ('change' in told) {
      desk.take(told.log, told.change);
      return;
    }
    if ('kept' in told) {
      port.postMessage({ result: desk.toKeep(told.log, told.kept) });
      return;
    }
    const result = desk.answer(told.log, told.job, (share) => {
      port.postMessage({ share });
    });
    port.postMessage({ result });
  });
}
