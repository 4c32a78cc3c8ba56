import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { gearSchema } from '@warm-jar/core';
import { z } from 'zod';
import { ApiProblem } from '../api/client';
import { copyOf, keepCopy } from './copies';
import { sharedRead } from './sharedRead';
import {
  shelfApi,
  type ShelvedAdditive,
  type ShelvedGear,
  type ShelvedInclusion,
  type ShelvedLot,
  type ShelvedMould,
} from '../api/shelf';

const keptGear = z.object({ item: gearSchema, version: z.number() });

/** Everything a studio chooses from beside its cards, read together and again after each change. */
export const useShelf = defineStore('shelf', () => {
  const lots = shallowRef<ShelvedLot[]>([]);
  const moulds = shallowRef<ShelvedMould[]>([]);
  const inclusions = shallowRef<ShelvedInclusion[]>([]);
  const additives = shallowRef<ShelvedAdditive[]>([]);
  const gear = shallowRef<ShelvedGear[]>([]);
  const loaded = ref(false);
  const problem = ref<string | null>(null);

  async function readShelf(): Promise<void> {
    try {
      const whole = await shelfApi.whole();
      [lots.value, moulds.value, inclusions.value] = [whole.lots, whole.moulds, whole.inclusions];
      [additives.value, gear.value] = [whole.additives, whole.gear];
      problem.value = null;
      void keepCopy('gear', gear.value);
    } catch (error) {
      // What a run at the bench needs of it.
      gear.value = (await copyOf('gear', z.array(keptGear))) ?? gear.value;
      problem.value = error instanceof ApiProblem ? error.message : 'The shelf could not be read.';
    } finally {
      loaded.value = true;
    }
  }
  // One that could not be read is asked for again by whoever needs it next.
  const { load, ready } = sharedRead(readShelf, () => loaded.value && problem.value === null);

  const vessels = computed(() => gear.value.flatMap(({ item }) => (item.kind === 'pressure-vessel' ? [item] : [])));
  return { lots, moulds, inclusions, additives, gear, vessels, loaded, problem, load, ready };
});
