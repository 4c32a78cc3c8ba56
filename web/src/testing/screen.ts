import { vi } from 'vitest';
import { PLACES } from '../places/places';
import { useProducts } from '../stores/products';
import { useWork } from '../stores/work';
import { mounted, type Mounted } from './mounted';

const open: Mounted[] = [];

/** A screen of the application by its name, with what its address says, once its first answers have come. */
export async function screen(name: string, props: object = {}, at = '/'): Promise<Mounted> {
  const place = PLACES.find((p) => p.name === name);
  if (!place) throw new Error(`No screen is called ${name}.`);
  const { default: view } = await place.view();
  const page = await mounted(view, props, at);
  open.push(page);
  // As the shell does at its start.
  await useProducts().load();
  await useWork().load();
  await page.settle();
  // What comes after the page has come too.
  await vi.dynamicImportSettled();
  await page.settle();
  return page;
}

/** Closes what was opened, and takes the pretended server away. */
export function closeScreens(): void {
  for (const page of open.splice(0)) page.unmount();
  vi.unstubAllGlobals();
}

class NoWorker {
  postMessage(): void {
    // Nothing is ever worked out.
  }
  terminate(): void {
    // Nothing runs.
  }
}

/** Workers that never answer. */
export function noWorkers(): void {
  vi.stubGlobal('Worker', NoWorker);
}
