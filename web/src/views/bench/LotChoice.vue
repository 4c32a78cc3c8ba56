<script setup lang="ts">
import { lotsOffered, type OfferedLot } from '@warm-jar/core';
import { computed } from 'vue';
import { today } from '../../components/words';
import { useBenchContext } from '../../run/useBench';
import { useShelf } from '../../stores/shelf';
import { useUnits } from '../../stores/units';
import DoButton from './DoButton.vue';

/** The lots of this run, chosen at its start: the oldest good one of each part is offered, and none is taken unasked. */
const bench = useBenchContext();
const shelf = useShelf();
const units = useUnits();
const PARTS = { A: 'lotA', B: 'lotB' } as const;
const KEYS = { A: 'j', B: 'k' } as const;
const planned = (part: 'A' | 'B') => bench.plan.value?.[part === 'A' ? 'partA' : 'partB'].massG ?? null;
const open = computed(() => {
  const { product, batch } = bench;
  if (!product.value || !batch.value) return [];
  return (['A', 'B'] as const).flatMap((part) => {
    if (batch.value![PARTS[part]]?.code) return [];
    const lots = lotsOffered(product.value!, part, shelf.lots, today(), planned(part), units.say);
    return lots.length > 0 ? [{ part, lots }] : [];
  });
});
const words = ({ lot, leftG }: OfferedLot) => {
  const since = lot.openedOn ? `open since ${lot.openedOn}` : 'opening not recorded';
  return `${lot.code}, ${since}${leftG === null ? '' : `, ${units.say(Math.max(0, leftG), 'g')} left`}`;
};
/** Those that may be offered before the others, none of which is preset. */
const offered = (lots: readonly OfferedLot[]) => (lots[0]?.good ? lots[0] : null);
const take = (part: 'A' | 'B', { lot }: OfferedLot) => {
  const { code, openedOn = null, useBy = null, colour = null } = lot;
  void bench.write({ words: `lot ${part} ${code}`, set: { [PARTS[part]]: { code, openedOn, useBy, colour } } });
};
</script>

<template>
  <section v-if="open.length" class="lots" aria-label="Lots" data-test="lots">
    <div v-for="{ part, lots } in open" :key="part" class="part" :data-lots="part">
      <DoButton
        v-if="offered(lots)"
        :words="`Lot ${part}: ${words(offered(lots)!)}`"
        :k="KEYS[part]"
        quiet
        @do="take(part, offered(lots)!)"
      />
      <p v-else class="bad">No lot of part {{ part }} on the shelf is good any more.</p>
      <details v-if="lots.length > 1 || !offered(lots)">
        <summary>another lot {{ part }}</summary>
        <div v-for="l in lots.filter((o) => o !== offered(lots))" :key="l.lot.code" class="row">
          <DoButton :words="words(l)" quiet :danger="!l.good" @do="take(part, l)" />
          <span v-for="w in l.warnings" :key="w.code" class="small">{{ w.says }}</span>
        </div>
      </details>
    </div>
  </section>
</template>

<style scoped>
.lots {
  display: grid;
  gap: var(--space-2);
}
.part {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-3);
}
summary {
  min-height: var(--target);
  display: inline-flex;
  align-items: center;
  cursor: pointer;
}
.bad {
  color: var(--outside);
  font-weight: 700;
}
</style>
