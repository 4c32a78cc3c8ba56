import { dirname, join } from 'node:path';
import type { Express } from 'express';
import { createApp } from './app';
import { batchStore, type BatchStore } from './store/batchStore';
import { openDatabase } from './store/database';
import { standInDevices } from './devices/standIns';
import { photoStore } from './store/photoStore';
import { productStore, type ProductStore } from './store/productStore';
import { searchAll } from './store/searchStore';
import { openShelf, type Shelf } from './store/shelf';
import { vesselGuard } from './store/vesselGuard';
import { inlinePlanner, type PlanRunner } from './work/planRunner';

/** A studio's data and the application over it, open until closed. */
export interface Studio { readonly app: Express; readonly products: ProductStore; readonly batches: BatchStore; readonly shelf: Shelf; readonly close: () => Promise<void> }

export async function openStudio(options: { file: string; webRoot?: string | undefined; planner?: PlanRunner; log?: (error: unknown) => void }): Promise<Studio> {
  const database = await openDatabase(options.file);
  const products = productStore(database);
  const shelf = openShelf(database);
  const batches = batchStore(database, products, vesselGuard(shelf.gear));
  const photos = photoStore(join(dirname(options.file), 'photos'));
  const search = (words: string) => searchAll(database, words);
  const planner = options.planner ?? inlinePlanner();
  const log = options.log ?? ((error: unknown) => { console.error(error); });
  return { app: createApp({ products, batches, shelf, photos, search, planner, devices: standInDevices(), webRoot: options.webRoot, log }), products, batches, shelf, close: async () => { await planner.close(); await database.close(); } };
}
