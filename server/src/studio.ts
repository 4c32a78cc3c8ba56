import { dirname, join } from 'node:path';
import type { Express } from 'express';
import { createApp } from './app';
import { batchStore, type BatchStore } from './store/batchStore';
import { checkStore } from './store/checkStore';
import { pastStore } from './store/pastStore';
import { openDatabase } from './store/database';
import { standInDevices } from './devices/standIns';
import { announcing } from './live/announcing';
import { changeBus } from './live/changeBus';
import { studioClock, type StudioClock } from './live/studioClock';
import { photoStore } from './store/photoStore';
import { productStore, type ProductStore } from './store/productStore';
import { searchAll } from './store/searchStore';
import { openShelf, type Shelf } from './store/shelf';
import { vesselGuard } from './store/vesselGuard';
import { inlinePlanner, type PlanRunner } from './work/planRunner';

/** A studio's data and the application over it, open until closed. */
export interface Studio { readonly app: Express; readonly products: ProductStore; readonly batches: BatchStore; readonly shelf: Shelf; readonly clock: StudioClock; readonly close: () => Promise<void> }

export async function openStudio(options: { file: string; webRoot?: string | undefined; planner?: PlanRunner; clock?: StudioClock; log?: (error: unknown) => void }): Promise<Studio> {
  const database = await openDatabase(options.file);
  const products = productStore(database);
  const shelf = openShelf(database);
  const bus = changeBus();
  const clock = options.clock ?? studioClock(1);
  const batches = announcing(batchStore(database, products, vesselGuard(shelf.gear)), bus);
  const photos = photoStore(join(dirname(options.file), 'photos'));
  const search = (words: string) => searchAll(database, words);
  const planner = options.planner ?? inlinePlanner();
  const log = options.log ?? ((error: unknown) => { console.error(error); });
  return { app: createApp({ products, batches, shelf, checks: checkStore(database), past: pastStore(database, shelf), photos, search, planner, bus, clock, devices: standInDevices(async (code) => { const { batch } = await batches.get(code); return { batch, product: await products.get(batch.product.slug, batch.product.revision) }; }), webRoot: options.webRoot, log }), products, batches, shelf, clock, close: async () => { await planner.close(); await database.close(); } };
}
