import type { Place } from './place';

/** Places of one batch, from the log's page to the wall board. */
export const BATCH_PLACES: readonly Place[] = [
  {
    name: 'new-batch',
    path: '/batches/new',
    title: 'Log a batch',
    view: () => import('../views/logbatch/LogBatchView.vue'),
    key: { key: 'n', does: 'Log a new batch' },
    called: 'log a batch',
    keys: [{ key: 'Ctrl Enter', does: 'Save' }],
  },
  {
    name: 'batch',
    path: '/batches/:code',
    title: 'Batch',
    view: () => import('../views/batch/BatchView.vue'),
    called: 'batch',
    keys: [
      { key: 'c', does: 'Check this batch' },
      { key: 'e', does: 'Change this batch' },
      { key: 'd', does: 'Diagnosis of this batch' },
      { key: 'b', does: 'To the bench' },
      { key: 'r', does: 'Go on with the mend' },
      { key: 'x', does: 'Copy into the plan of the next batch' },
      { key: 's', does: 'Bench sheet to print' },
    ],
  },
  {
    name: 'edit-batch',
    path: '/batches/:code/edit',
    title: 'Change batch',
    view: () => import('../views/logbatch/LogBatchView.vue'),
  },
  {
    name: 'check',
    path: '/batches/:code/check',
    title: 'Check',
    view: () => import('../views/check/CheckView.vue'),
    called: 'check',
    keys: [
      { key: 'y', does: 'Read the hardness tester' },
      { key: 'Ctrl Enter', does: 'Save' },
    ],
  },
  {
    name: 'bench',
    path: '/batches/:code/bench',
    title: 'Bench',
    view: () => import('../views/bench/BenchView.vue'),
    called: 'bench',
    keys: [
      { key: 'Enter', does: 'The step is done' },
      { key: 'z', does: 'Tare, at weighing' },
      { key: '+ / −', does: 'One drop more, one back, at colour' },
      { key: 'r / h', does: 'Read the resin, read the room' },
      { key: 'w / f', does: 'The witness has set, read the surface, while watching' },
      { key: 'u / q', does: 'Undo the last step, sound on or off' },
      { key: 'b', does: 'The wall board' },
    ],
  },
  {
    name: 'board',
    path: '/board',
    title: 'Board',
    view: () => import('../views/board/BoardView.vue'),
    bare: true,
  },
  {
    name: 'sheet',
    path: '/batches/:code/sheet',
    title: 'Bench sheet',
    view: () => import('../views/sheet/SheetView.vue'),
  },
  {
    name: 'diagnosis',
    path: '/batches/:code/diagnosis',
    title: 'Diagnosis',
    view: () => import('../views/diagnosis/DiagnosisView.vue'),
    called: 'diagnosis',
    keys: [
      { key: 'c', does: 'Check this batch' },
      { key: 'r', does: 'Begin the mend' },
      { key: 'x', does: 'Copy into the plan of the next batch' },
    ],
  },
  {
    name: 'mend',
    path: '/batches/:code/mend',
    title: 'Mend',
    view: () => import('../views/mend/MendView.vue'),
  },
];
