import { inclusionWarnings, lotWarnings, mixMasses, type Batch, type Product, type Say } from '@warm-jar/core';
import type { ShelvedMould } from '../../api/shelf';
import type { useShelf } from '../../stores/shelf';
import type { Pick } from './pick';

/** The draft and the shelf, as a pick sees them. */
export interface PickScene {
  readonly shelf: ReturnType<typeof useShelf>;
  readonly say: Say;
  readonly batch: Batch | null;
  /** The day of the batch. */
  readonly day: string;
  readonly text: (path: string) => string | null;
  readonly rows: (path: string) => readonly Record<string, unknown>[];
  readonly set: (path: string, value: unknown) => void;
}

function lotPick({ shelf, say, batch, day, text, set }: PickScene, product: Product, part: 'A' | 'B'): Pick {
  const lots = shelf.lots.filter(({ item }) => item.productSlug === product.slug && item.part === part);
  const chosen = lots.find(({ item }) => item.code === text(`lot${part}.code`));
  const masses = batch ? mixMasses(product, batch) : null;
  const needed = (part === 'A' ? masses?.massAG : masses?.massBG) ?? null;
  const left = (leftG: number | null) => (leftG === null ? '' : `, ${say(Math.max(0, leftG), 'g')} left`);
  return {
    label: `Lot of part ${part}`,
    placeholder: lots.length ? 'from the shelf' : 'none on the shelf',
    chosen: chosen?.item.code ?? null,
    options: lots.map(({ item, leftG }) => ({ value: item.code, words: `${item.code}${left(leftG)}` })),
    warnings: chosen ? lotWarnings(product, chosen.item, day, chosen.leftG, needed, say).map((w) => w.says) : [],
    choose: (code) => {
      const lot = lots.find(({ item }) => item.code === code)?.item;
      const { openedOn = null, useBy = null, colour = null } = lot ?? {};
      set(`lot${part}`, lot ? { code: lot.code, openedOn, useBy, colour } : null);
    },
  };
}

/** A lot for each part that the product has. */
export function lotPicks(scene: PickScene, product: Product): Pick[] {
  const parts = product.family === 'uv-acrylate' ? (['A'] as const) : (['A', 'B'] as const);
  return parts.map((part) => lotPick(scene, product, part));
}

const pullsOf = ({ item, pulls }: ShelvedMould) => (item.pullsBefore ?? 0) + pulls;

function mouldWarnings(mould: ShelvedMould): string[] {
  const { pullsExpected: expected, wear } = mould.item;
  const pulls = pullsOf(mould);
  const found: string[] = [];
  if (expected != null && pulls >= expected) found.push(`${pulls} pulls of ${expected} expected: look at it first.`);
  const last = wear?.at(-1);
  if (last) found.push(`Wear: ${last.note}`);
  return found;
}

/** What a mould of the shelf writes into the record. */
function mouldSection(mould: ShelvedMould) {
  const { code, rubber = null, degassed = null, finish = null, cavities = [] } = mould.item;
  const thin = (cavities ?? []).map((c) => c.thinnestMm).filter((t) => t != null);
  const thinnestMm = thin.length ? Math.min(...thin) : null;
  return { code, rubber, degassed, finish, pulls: pullsOf(mould), thinnestMm };
}

export function mouldPick({ shelf, text, set }: PickScene): Pick {
  const chosen = shelf.moulds.find(({ item }) => item.code === text('mould.code'));
  return {
    label: 'Mould from the shelf',
    placeholder: 'from the shelf',
    chosen: chosen?.item.code ?? null,
    warnings: chosen ? mouldWarnings(chosen) : [],
    options: shelf.moulds.map(({ item }) => ({
      value: item.code,
      words: `${item.code}${item.makes ? `, ${item.makes}` : ''}`,
    })),
    choose: (code) => {
      const mould = shelf.moulds.find(({ item }) => item.code === code);
      set('mould', mould ? mouldSection(mould) : null);
    },
  };
}

export function vesselPick({ shelf, say, text, set }: PickScene): Pick {
  return {
    label: 'Vessel',
    placeholder: 'from the shelf',
    chosen: shelf.vessels.find((v) => v.code === text('pressure.vessel'))?.code ?? null,
    warnings: [],
    options: shelf.vessels.map((v) => ({ value: v.code, words: `${v.name}, rated ${say(v.ratedKPa, 'kPa')}` })),
    choose: (code) => {
      set('pressure.vessel', code);
    },
  };
}

export function inclusionPick({ shelf, say, rows, set }: PickScene, product: Product): Pick {
  const whats = new Set(rows('inclusions').map((r) => r['what']));
  const warnings = shelf.inclusions
    .filter(({ item }) => whats.has(item.what))
    .flatMap(({ item }) => inclusionWarnings(item, product, say).map((w) => `${item.what}: ${w.says}`));
  return {
    label: 'Add from the shelf',
    placeholder: 'inclusion',
    chosen: null,
    warnings,
    options: shelf.inclusions.map(({ item }) => ({ value: item.code, words: item.what })),
    choose: (code) => {
      const found = shelf.inclusions.find(({ item }) => item.code === code)?.item;
      if (!found) return;
      const { what, kind = null, moisturePct = null, sealed = null, treated = null } = found;
      set('inclusions', [...rows('inclusions'), { what, kind, moisturePct, sealed, treated }]);
    },
  };
}
