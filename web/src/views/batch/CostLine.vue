<script setup lang="ts">
import { useUnits } from '../../stores/units';
import { batchCost, castingsOf, mendMassG, mixMasses, type Batch, type Product } from '@warm-jar/core';
import { computed, onMounted } from 'vue';
import { useShelf } from '../../stores/shelf';

const units = useUnits();

/** What the resin of this batch cost by its lots, in all and for a piece; what is not known is said. */
const props = defineProps<{ batch: Batch; product: Product }>();
const shelf = useShelf();
onMounted(() => {
  void shelf.ready();
});
const lotOf = (part: 'A' | 'B') =>
  shelf.lots.find(
    ({ item }) =>
      item.productSlug === props.product.slug &&
      item.part === part &&
      item.code === (part === 'A' ? props.batch.lotA : props.batch.lotB)?.code,
  )?.item;
const pieces = computed(
  () =>
    castingsOf(props.batch).length ||
    (shelf.moulds.find(({ item }) => item.code === props.batch.mould?.code)?.item.cavities?.length ?? null),
);
const cost = computed(() => {
  const { massAG, massBG } = mixMasses(props.product, props.batch);
  const parts = [
    { part: 'A' as const, massG: massAG, lot: lotOf('A') },
    ...(props.product.family === 'uv-acrylate' ? [] : [{ part: 'B' as const, massG: massBG, lot: lotOf('B') }]),
  ];
  return batchCost(parts, pieces.value);
});
/** A gram of mending coat costs what a gram of the batch did. */
const mending = computed(() => {
  const { totalG } = mixMasses(props.product, props.batch);
  const g = mendMassG(props.batch);
  return cost.value.total === null || !totalG || g === 0 ? null : (cost.value.total / totalG) * g;
});
</script>

<template>
  <p v-if="shelf.loaded" class="small cost" data-test="cost">
    <template v-if="cost.total !== null"
      >Resin for <strong class="figures">{{ units.price(cost.total) }}</strong><template v-if="cost.perPiece !== null"
        >, <strong class="figures">{{ units.price(cost.perPiece) }}</strong> a piece of {{ pieces }}</template
      ><template v-if="mending !== null"
        >; mending took <strong class="figures">{{ units.price(mending) }}</strong> more</template
      ></template
    >
    <span v-else class="quiet"
      >Cost not known: part {{ cost.missing.join(' and ') }} has no lot with a price on the shelf, or was not
      weighed.</span
    >
  </p>
</template>

<style scoped>
.cost {
  grid-column: 1 / -1;
  border-top: 1px solid var(--card-edge);
  padding-top: var(--space-2);
}
</style>
