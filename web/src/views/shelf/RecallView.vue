<script setup lang="ts">
import { WHEREABOUTS, castingName, type Recalled } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { recallApi, recallFile, type RecallQuery } from '../../api/recall';
import ProblemNote from '../../components/ProblemNote.vue';
import { useLoaded } from '../../components/useLoaded';
import { dayAndTime, inWords } from '../../components/words';
import { useProducts } from '../../stores/products';
import TableBox from '../../components/TableBox.vue';

/** From a lot to every casting it went into: where each is now, and how each came out. */
const props = defineProps<{ lot: string }>();
const route = useRoute();
const products = useProducts();
const word = (v: unknown) => (typeof v === 'string' && v !== '' ? v : undefined);
const asked = computed<RecallQuery>(() => ({
  lot: props.lot,
  product: word(route.query['product']),
  part: word(route.query['part']),
}));
const { value, problem, load } = useLoaded(() => recallApi.castings(asked.value), 'The castings could not be read.');
watch(asked, () => void load());
const items = computed<readonly Recalled[]>(() => value.value?.items ?? []);
const counts = computed(() =>
  WHEREABOUTS.map((where) => ({ where, count: items.value.filter((k) => k.where === where).length })).filter(
    (c) => c.count > 0,
  ),
);
/** One place chosen narrows the list. */
const only = ref<string | null>(null);
const shown = computed(() => items.value.filter((k) => only.value === null || k.where === only.value));
const seenWords = (seen: string) => {
  const [kind = '', pattern = ''] = seen.split('/');
  return pattern === 'unspecified' ? inWords(kind) : `${inWords(kind)}, ${inWords(pattern)}`;
};
const from = (k: Recalled) =>
  [k.mould, k.cavity === null ? null : `cavity ${k.cavity}`].filter((v) => v !== null).join(', ');
const print = () => {
  window.print();
};
</script>

<template>
  <div class="stack">
    <div class="row spread">
      <div>
        <h1>
          Where lot <span class="figures">{{ lot }}</span> went
        </h1>
        <p class="quiet" aria-live="polite">
          {{ items.length }} castings out of {{ new Set(items.map((k) => k.batch)).size }} batches<template
            v-if="asked.product"
            >, {{ products.bySlug.get(asked.product)?.name ?? asked.product }}</template
          ><template v-if="asked.part">, part {{ asked.part }}</template>
        </p>
      </div>
      <div class="row screen">
        <a class="p-button p-component p-button-secondary" :href="recallFile(asked)" download>CSV</a
        ><Button icon="pi pi-print" label="Print" severity="secondary" @click="print" />
      </div>
    </div>
    <ProblemNote v-if="problem" :says="problem" again @again="load" />
    <div v-if="counts.length" class="row" role="group" aria-label="Where they are" data-test="whereabouts">
      <button
        v-for="c in counts"
        :key="c.where"
        type="button"
        class="count"
        :aria-pressed="only === c.where"
        @click="only = only === c.where ? null : c.where"
      >
        <strong class="figures">{{ c.count }}</strong> {{ c.where }}
      </button>
    </div>
    <p v-if="value && items.length === 0" class="card">No batch was poured from this lot.</p>
    <TableBox label="Where it went" v-else-if="items.length"
      ><table class="card" data-test="recall">
        <thead>
          <tr>
            <th>Casting</th>
            <th>Made</th>
            <th>From</th>
            <th>How it came out</th>
            <th>Where it is</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="k in shown" :key="castingName(k.batch, k.casting)">
            <td>
              <RouterLink class="figures" :to="{ name: 'batch', params: { code: k.batch } }">{{
                castingName(k.batch, k.casting)
              }}</RouterLink>
            </td>
            <td>{{ dayAndTime(k.startedAt) }}</td>
            <td>{{ from(k) }}</td>
            <td>
              {{
                [k.seen.map(seenWords).join('; '), k.reason].filter(Boolean).join('; ') ||
                (k.grade ? 'no fault seen' : '')
              }}
            </td>
            <td>
              <strong>{{ k.where }}</strong><template v-if="k.soldOn">, {{ k.soldOn }}</template>
            </td>
          </tr>
        </tbody>
      </table></TableBox
    >
  </div>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: left;
  padding: 6px var(--space-3) 6px 0;
  border-bottom: 1px solid var(--chalk-100);
  vertical-align: top;
}
.count {
  font: inherit;
  color: inherit;
  min-height: var(--target);
  padding: 0 var(--space-3);
  border: 2px solid var(--card-edge);
  border-radius: var(--radius);
  background: var(--card);
  cursor: pointer;
}
.count[aria-pressed='true'] {
  border-color: var(--action);
  background: var(--bottle-50);
}
@media print {
  .screen {
    display: none;
  }
}
</style>
