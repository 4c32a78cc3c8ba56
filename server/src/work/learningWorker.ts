import { parentPort, workerData } from 'node:worker_threads';
import { learn, type LearningJob } from './learningRunner';

// One thread, one job: what it was begun with, its progress, its result.
parentPort?.postMessage({ result: learn(workerData as LearningJob, (share) => parentPort?.postMessage({ share })) });
