import { dirname, join } from 'node:path';
import type { Express } from 'express';
import { accessStore, type AccessStore } from './access/accessStore';
import type { AccessOptions } from './access/gate';
import { createApp } from './app';
import type { Checked } from './backup/checkBackup';
import { backupSchedule, type BackupSchedule } from './backup/schedule';
import { studioDevices } from './devices/devices';
import { announcing } from './live/announcing';
import type { LookRound } from './lookRound';
import { changeBus, type ChangeBus } from './live/changeBus';
import { studioClock, type StudioClock } from './live/studioClock';
import { batchStore, type BatchStore } from './store/batchStore';
import { checkStore } from './store/checkStore';
import { openDatabase, type Database } from './store/database';
import { drillStores } from './store/drillStores';
import { importStore } from './store/importStore';
import { addProductWithin, productStore, type ProductStore } from './store/productStore';
import { factStore, type FactStore } from './store/factStore';
import { fitStore, type FitStore } from './store/fitStore';
import { neighbourStore } from './store/neighbourStore';
import { rateStore } from './store/rateStore';
import { filterStore } from './store/filterStore';
import { pairKeeping } from './store/pairKeeping';
import { pastStore } from './store/pastStore';
import { photoStore } from './store/photoStore';
import { pieceStore } from './store/pieceStore';
import { readingStore } from './store/readingStore';
import { searchAll } from './store/searchStore';
import { recallStore } from './store/recallStore';
import { seriesStore } from './store/seriesStore';
import { openShelf, type Shelf } from './store/shelf';
import { studioId } from './store/studioId';
import { vesselGuard } from './store/vesselGuard';
import { inlineLearner, type LearningRunner } from './work/learningRunner';
import { inlinePlanner, type PlanRunner } from './work/planRunner';

/** A studio's data and the application over it, open until closed. */
export interface Studio {
  readonly app: Express;
  readonly database: Database;
  readonly products: ProductStore;
  readonly batches: BatchStore;
  readonly shelf: Shelf;
  readonly facts: FactStore;
  readonly schedule: BackupSchedule;
  readonly clock: StudioClock;
  readonly bus: ChangeBus;
  readonly people: AccessStore;
  readonly close: () => Promise<void>;
}

export interface StudioOptions {
  readonly file: string;
  /** Whether its data are thrown away before they are opened again, as those of a demo are. */
  readonly disposable?: boolean;
  readonly webRoot?: string | undefined;
  readonly planner?: PlanRunner;
  readonly learner?: LearningRunner;
  readonly clock?: StudioClock;
  readonly log?: (error: unknown) => void;
  /** Who may come in; on the loopback without sign-in where it is not given. */
  readonly access?: AccessOptions;
  /** The demo studio beside this one, to be looked round in. */
  readonly lookRound?: LookRound | undefined;
  /** Puts a checked backup in place of the present data: the host's, who can close this studio and open another. */
  readonly replaceWith?: (checked: Checked) => Promise<{ keptAside: string }>;
}

const logToConsole = (error: unknown) => {
  console.error(error);
};
/** Copies are made by the machine's own clock, whatever the studio's says. */
const wallNow = () => new Date();

/** What runs by itself first, then what it ran on. */
async function closeAll(
  schedule: BackupSchedule,
  planner: PlanRunner,
  fits: FitStore,
  database: Database,
): Promise<void> {
  await schedule.end();
  await planner.close();
  // What was fitted since it opened is there when it opens again; a file that cannot be written is told of elsewhere.
  await fits.keep().catch(() => undefined);
  await database.close();
}

/** Tables brought in, written as everything else here is. */
function studioImports(
  database: Database,
  { batches, products, shelf, bus, clock }: Pick<Studio, 'batches' | 'products' | 'shelf' | 'bus' | 'clock'>,
) {
  return importStore(database, {
    batches,
    products,
    shelf,
    now: clock.now,
    carded: batches.carded,
    insertBatches: batches.insertAll,
    insertLot: shelf.lots.createWithin,
    insertMould: shelf.moulds.createWithin,
    insertProduct: (card, transaction) => addProductWithin(database, card, transaction),
    forgetProduct: products.forget,
    // One word for a whole table: screens read their lists again.
    told: () => {
      bus.publish({ code: '', version: null });
    },
  });
}

export async function openStudio(options: StudioOptions): Promise<Studio> {
  const clock = options.clock ?? studioClock(1);
  const database = await openDatabase(options.file, { now: clock.now, disposable: options.disposable });
  const products = productStore(database);
  const shelf = openShelf(database);
  const bus = changeBus();
  const log = options.log ?? logToConsole;
  const planner = options.planner ?? inlinePlanner();
  const batches = announcing(
    pairKeeping(batchStore(database, products, vesselGuard(shelf.gear, clock.now)), shelf.inclusions, log),
    bus,
  );
  const dataFolder = dirname(options.file);
  const facts = factStore(database, products, join(dataFolder, 'learned'));
  const fits = fitStore(database, products);
  await fits.take();
  const learner = options.learner ?? inlineLearner();
  const photoFolder = join(dataFolder, 'photos');
  const schedule = backupSchedule(database, { dataFolder, photoFolder, now: wallNow, log });
  const subject = async (code: string) => {
    const { batch } = await batches.get(code);
    return { batch, product: await products.get(batch.product.slug, batch.product.revision) };
  };
  const people = accessStore(database);
  const readings = readingStore(database);
  const app = createApp({
    access: options.access ?? { mode: 'local' },
    people,
    readings,
    products,
    batches,
    shelf,
    facts,
    planner,
    bus,
    clock,
    studio: await studioId(database),
    log,
    webRoot: options.webRoot,
    checks: checkStore(database),
    past: pastStore(database, shelf, {
      neighbours: neighbourStore(database),
      rates: rateStore(database, facts, learner),
    }),
    photos: photoStore(photoFolder),
    search: (words) => searchAll(database, words),
    devices: studioDevices({ gear: shelf.gear, readings, subjectOf: subject }),
    filters: filterStore(database),
    lookRound: options.lookRound,
    imports: studioImports(database, { batches, products, shelf, bus, clock }),
    pieces: pieceStore(database, shelf, products, clock.now),
    recall: recallStore(database, facts),
    drills: drillStores(database, clock.now),
    series: seriesStore(database),
    learner,
    backup: { database, dataFolder, photoFolder, schedule, now: wallNow, log, replaceWith: options.replaceWith },
  });
  const close = () => closeAll(schedule, planner, fits, database);
  return { app, database, products, batches, shelf, facts, schedule, clock, bus, people, close };
}
