import { lotWarnings, vesselStop } from '@warm-jar/core';
import type { ShelfPlace } from '../../api/shelf';
import { today } from '../../components/words';
import { useProducts } from '../../stores/products';
import { useShelf } from '../../stores/shelf';
import { useUnits } from '../../stores/units';

/** The one thing most worth knowing about something before it is chosen; empty where nothing is amiss. */
export function useShelfNotes() {
  const shelf = useShelf();
  const products = useProducts();
  const units = useUnits();
  const lotNote = (code: string) => {
    const lot = shelf.lots.find((l) => l.item.code === code);
    const product = lot && products.bySlug.get(lot.item.productSlug);
    return lot && product ? (lotWarnings(product, lot.item, today(), lot.leftG, null, units.say)[0]?.says ?? '') : '';
  };
  const mouldNote = (code: string) => {
    const mould = shelf.moulds.find((m) => m.item.code === code);
    const expected = mould?.item.pullsExpected;
    const pulls = (mould?.item.pullsBefore ?? 0) + (mould?.pulls ?? 0);
    return expected != null && pulls >= expected ? `${pulls} pulls of ${expected} expected` : '';
  };
  const gearNote = (code: string) => {
    const vessel = shelf.vessels.find((v) => v.code === code);
    return vessel ? (vesselStop(vessel, vessel.ratedKPa, today(), units.say)?.says ?? '') : '';
  };
  const NOTES: Partial<Record<ShelfPlace, (code: string) => string>> = {
    lots: lotNote,
    moulds: mouldNote,
    gear: gearNote,
  };
  return { noteOf: (place: ShelfPlace, code: string): string => NOTES[place]?.(code) ?? '' };
}
