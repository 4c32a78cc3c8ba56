import type { Product } from '@warm-jar/core';
import { onMounted } from 'vue';
import { today } from '../../components/words';
import { useShelf } from '../../stores/shelf';
import { useUnits } from '../../stores/units';
import { useDraftContext } from './draftContext';
import type { Pick } from './pick';
import { additivePick, dropsPicks } from './picksOfColour';
import { inclusionPick, lotPicks, mouldPick, vesselPick, type PickScene } from './picksOfShelf';

type PicksOf = (scene: PickScene, product: Product) => readonly Pick[];

/** What each step of the page offers from the shelf. */
const PICKS: Readonly<Record<string, PicksOf>> = {
  lots: lotPicks,
  mould: (scene) => [mouldPick(scene)],
  press: (scene) => [vesselPick(scene)],
  colour: (scene, product) => [additivePick(scene, product), ...dropsPicks(scene)],
  inclusions: (scene, product) => [inclusionPick(scene, product)],
};

/** Offers, for each step of the page, what the studio has for it. */
export function usePicks() {
  const shelf = useShelf();
  const { say } = useUnits();
  const { value, set, batch } = useDraftContext();
  onMounted(() => {
    void shelf.ready();
  });
  const text = (path: string) => {
    const v = value(path);
    return typeof v === 'string' ? v : null;
  };
  const scene = (): PickScene => ({
    shelf,
    say,
    batch: batch.value,
    day: text('startedAt')?.slice(0, 10) ?? today(),
    text,
    rows: (path) => {
      const v = value(path);
      return Array.isArray(v) ? (v as Record<string, unknown>[]) : [];
    },
    set,
  });
  return {
    picksFor: (section: string, product: Product): readonly Pick[] => PICKS[section]?.(scene(), product) ?? [],
  };
}
