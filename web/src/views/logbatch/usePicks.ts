import { dropsToG, inclusionWarnings, lotWarnings, mixMasses, type Product } from '@warm-jar/core';
import { onMounted } from 'vue';
import { today } from '../../components/words';
import { useShelf } from '../../stores/shelf';
import { useUnits } from '../../stores/units';
import { useDraftContext } from './draftContext';

/** One choice from the shelf: what is offered, what is chosen, and what speaks against it. */
export interface Pick {
  readonly label: string;
  readonly placeholder: string;
  readonly options: { readonly value: string; readonly words: string }[];
  readonly chosen: string | null;
  readonly warnings: readonly string[];
  readonly choose: (value: string | null) => void;
}

/** Offers, for each step of the page, what the studio has for it. */
export function usePicks() {
  const shelf = useShelf();
  const units = useUnits();
  const { value, set, batch } = useDraftContext();
  onMounted(() => {
    if (!shelf.loaded) void shelf.load();
  });
  const text = (path: string) => {
    const v = value(path);
    return typeof v === 'string' ? v : null;
  };
  const day = () => text('startedAt')?.slice(0, 10) ?? today();
  const rows = (path: string): unknown[] => {
    const v = value(path);
    return Array.isArray(v) ? v : [];
  };

  function lotPick(product: Product, part: 'A' | 'B'): Pick {
    const lots = shelf.lots.filter(({ item }) => item.productSlug === product.slug && item.part === part);
    const chosen = lots.find(({ item }) => item.code === text(`lot${part}.code`));
    const masses = batch.value ? mixMasses(product, batch.value) : null;
    const needed = (part === 'A' ? masses?.massAG : masses?.massBG) ?? null;
    return {
      label: `Lot of part ${part}`,
      placeholder: lots.length ? 'from the shelf' : 'none on the shelf',
      chosen: chosen?.item.code ?? null,
      options: lots.map(({ item, leftG }) => ({
        value: item.code,
        words: `${item.code}${leftG === null ? '' : `, ${units.say(Math.max(0, leftG), 'g')} left`}`,
      })),
      warnings: chosen
        ? lotWarnings(product, chosen.item, day(), chosen.leftG, needed, units.say).map((w) => w.says)
        : [],
      choose: (code) => {
        const lot = lots.find(({ item }) => item.code === code)?.item;
        set(
          `lot${part}`,
          lot
            ? { code: lot.code, openedOn: lot.openedOn ?? null, useBy: lot.useBy ?? null, colour: lot.colour ?? null }
            : null,
        );
      },
    };
  }

  function mouldPick(): Pick {
    const chosen = shelf.moulds.find(({ item }) => item.code === text('mould.code'));
    const pulls = chosen ? (chosen.item.pullsBefore ?? 0) + chosen.pulls : 0;
    const expected = chosen?.item.pullsExpected;
    const warnings = [
      ...(expected != null && pulls >= expected ? [`${pulls} pulls of ${expected} expected: look at it first.`] : []),
      ...(chosen?.item.wear?.length ? [`Wear: ${chosen.item.wear.at(-1)!.note}`] : []),
    ];
    return {
      label: 'Mould from the shelf',
      placeholder: 'from the shelf',
      chosen: chosen?.item.code ?? null,
      warnings,
      options: shelf.moulds.map(({ item }) => ({
        value: item.code,
        words: `${item.code}${item.makes ? `, ${item.makes}` : ''}`,
      })),
      choose: (code) => {
        const mould = shelf.moulds.find(({ item }) => item.code === code);
        const thin = (mould?.item.cavities ?? []).map((c) => c.thinnestMm).filter((t) => t != null);
        set(
          'mould',
          mould
            ? {
                code: mould.item.code,
                rubber: mould.item.rubber ?? null,
                degassed: mould.item.degassed ?? null,
                finish: mould.item.finish ?? null,
                pulls: (mould.item.pullsBefore ?? 0) + mould.pulls,
                thinnestMm: thin.length ? Math.min(...thin) : null,
              }
            : null,
        );
      },
    };
  }

  function vesselPick(): Pick {
    const chosen = shelf.vessels.find((v) => v.code === text('pressure.vessel'));
    return {
      label: 'Vessel',
      placeholder: 'from the shelf',
      chosen: chosen?.code ?? null,
      warnings: [],
      options: shelf.vessels.map((v) => ({ value: v.code, words: `${v.name}, rated ${units.say(v.ratedKPa, 'kPa')}` })),
      choose: (code) => {
        set('pressure.vessel', code);
      },
    };
  }

  function additivePick(product: Product): Pick {
    const names = new Set(rows('additives').map((r) => (r as { name?: unknown }).name));
    const refused = shelf.additives.filter(
      ({ item }) =>
        names.has(item.name) &&
        (item.refusedBy?.includes(product.slug) || product.additives?.refused?.includes(item.kind)),
    );
    return {
      label: 'Add from the shelf',
      placeholder: 'colour or filler',
      chosen: null,
      warnings: refused.map(({ item }) => `${product.name} refuses ${item.name}.`),
      options: shelf.additives.map(({ item }) => ({
        value: item.code,
        words: `${item.name}, ${item.kind.replaceAll('-', ' ')}`,
      })),
      choose: (code) => {
        const additive = shelf.additives.find(({ item }) => item.code === code)?.item;
        if (additive)
          set('additives', [...rows('additives'), { name: additive.name, kind: additive.kind, applied: 'mixed' }]);
      },
    };
  }

  /** Drops that were counted but not weighed become grams by the studio's own weighing. */
  function dropsPick(): Pick[] {
    return rows('additives').flatMap((row, i): Pick[] => {
      const { name, drops, massG } = row as { name?: unknown; drops?: unknown; massG?: unknown };
      const additive = shelf.additives.find(({ item }) => item.name === name)?.item;
      const grams = additive && typeof drops === 'number' && massG == null ? dropsToG(additive, drops) : null;
      return grams === null
        ? []
        : [
            {
              label: `${additive!.name}: ${String(drops)} drops weigh ${units.say(grams, 'g')}`,
              placeholder: 'take that as its mass?',
              chosen: null,
              warnings: [],
              options: [{ value: 'yes', words: `take ${units.say(grams, 'g')}` }],
              choose: () => {
                set(`additives[${i}].massG`, Math.round(grams * 1000) / 1000);
              },
            },
          ];
    });
  }

  function inclusionPick(product: Product): Pick {
    const whats = new Set(rows('inclusions').map((r) => (r as { what?: unknown }).what));
    const warnings = shelf.inclusions
      .filter(({ item }) => whats.has(item.what))
      .flatMap(({ item }) => inclusionWarnings(item, product, units.say).map((w) => `${item.what}: ${w.says}`));
    return {
      label: 'Add from the shelf',
      placeholder: 'inclusion',
      chosen: null,
      warnings,
      options: shelf.inclusions.map(({ item }) => ({ value: item.code, words: item.what })),
      choose: (code) => {
        const found = shelf.inclusions.find(({ item }) => item.code === code)?.item;
        if (found)
          set('inclusions', [
            ...rows('inclusions'),
            {
              what: found.what,
              kind: found.kind ?? null,
              moisturePct: found.moisturePct ?? null,
              sealed: found.sealed ?? null,
              treated: found.treated ?? null,
            },
          ]);
      },
    };
  }

  return {
    picksFor: (section: string, product: Product): Pick[] => {
      switch (section) {
        case 'lots':
          return (product.family === 'uv-acrylate' ? (['A'] as const) : (['A', 'B'] as const)).map((part) =>
            lotPick(product, part),
          );
        case 'mould':
          return [mouldPick()];
        case 'press':
          return [vesselPick()];
        case 'colour':
          return [additivePick(product), ...dropsPick()];
        case 'inclusions':
          return [inclusionPick(product)];
        default:
          return [];
      }
    },
  };
}
