import type { Express } from 'express';
import { createApp } from './app';
import { batchStore, type BatchStore } from './store/batchStore';
import { openDatabase } from './store/database';
import { productStore, type ProductStore } from './store/productStore';

/** A studio's data and the application over it, open until closed. */
export interface Studio { readonly app: Express; readonly products: ProductStore; readonly batches: BatchStore; readonly close: () => Promise<void> }

export async function openStudio(options: { file: string; webRoot?: string | undefined; log?: (error: unknown) => void }): Promise<Studio> {
  const database = await openDatabase(options.file);
  const products = productStore(database);
  const batches = batchStore(database, products);
  const log = options.log ?? ((error: unknown) => { console.error(error); });
  return { app: createApp({ products, batches, webRoot: options.webRoot, log }), products, batches, close: database.close };
}
