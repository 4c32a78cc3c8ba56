<script setup lang="ts">
import { lotSchema, lotWarnings, pricePerG } from '@warm-jar/core';
import { computed } from 'vue';
import type { ShelvedLot } from '../../../api/shelf';
import { today } from '../../../components/words';
import { useProducts } from '../../../stores/products';
import { useUnits } from '../../../stores/units';
import type { Tree } from '../../../stores/draftPath';

/** What is left of a lot by the log, what a gram costs, and what speaks against it. */
const props = defineProps<{ document: Tree; shelved: unknown }>();
const units = useUnits();
const products = useProducts();
const use = computed(() => props.shelved as ShelvedLot | null);
const lot = computed(() => {
  const r = lotSchema.safeParse(props.document);
  return r.success ? r.data : null;
});
const product = computed(() => (lot.value ? (products.bySlug.get(lot.value.productSlug) ?? null) : null));
const warnings = computed(() =>
  lot.value && product.value
    ? lotWarnings(product.value, lot.value, today(), use.value?.leftG ?? null, null, units.say)
    : [],
);
const share = computed(() =>
  use.value?.leftG != null && use.value.item.quantityG
    ? Math.max(0, Math.min(1, use.value.leftG / use.value.item.quantityG))
    : null,
);
const price = computed(() => {
  const perG = pricePerG(lot.value);
  if (perG === null) return null;
  // A pound where masses are in ounces.
  const [grams, words] = units.label('g') === 'oz' ? [453.59237, 'lb'] : [1000, 'kg'];
  return `${units.price(perG * grams)} a ${words}`;
});
</script>

<template>
  <section v-if="use" class="card panel" aria-label="By the log">
    <div>
      <p class="small quiet">Left</p>
      <p class="big figures">
        {{ use.leftG === null ? 'quantity not recorded' : units.say(Math.max(0, use.leftG), 'g') }}
      </p>
      <svg v-if="share !== null" class="gauge" role="img" :aria-label="`${Math.round(share * 100)} % left`">
        <rect width="100%" height="10" class="ground" />
        <rect :width="`${share * 100}%`" height="10" class="fill" />
      </svg>
    </div>
    <div>
      <p class="small quiet">Poured</p>
      <p class="big figures">{{ units.say(use.usedG, 'g') }}</p>
      <p class="small">
        <RouterLink :to="{ name: 'log', query: { search: use.item.code, product: use.item.productSlug } }"
          >{{ use.batches }} batch{{ use.batches === 1 ? '' : 'es' }}</RouterLink
        >,
        <RouterLink
          :to="{
            name: 'recall',
            params: { lot: use.item.code },
            query: { product: use.item.productSlug, part: use.item.part },
          }"
          data-test="recall-link"
          >where each casting is</RouterLink
        >
      </p>
    </div>
    <div>
      <p class="small quiet">Price</p>
      <p class="big figures">{{ price === null ? 'not recorded' : price }}</p>
    </div>
    <ul v-if="warnings.length" class="warnings">
      <li v-for="w in warnings" :key="w.code">{{ w.says }}</li>
    </ul>
  </section>
</template>

<style scoped>
.panel {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: var(--space-4);
}
.big {
  font-size: 1.5rem;
  font-weight: 750;
}
.gauge {
  width: 100%;
  height: 10px;
  display: block;
}
.ground {
  fill: var(--track);
}
.fill {
  fill: var(--part-a);
}
.warnings {
  grid-column: 1 / -1;
}
.warnings li {
  color: var(--outside);
  font-weight: 650;
  padding: 2px 0;
}
</style>
