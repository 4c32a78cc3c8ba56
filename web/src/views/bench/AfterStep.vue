<script setup lang="ts">
import { afterCare, cureTemperatureC, recordGaps } from '@warm-jar/core';
import { computed } from 'vue';
import { dayAndTime, midSentence } from '../../components/words';
import { useBenchContext } from '../../run/useBench';

/** The run is done: what is to be done with the piece and when, and what the record lacks. */
const bench = useBenchContext();
const care = computed(() =>
  bench.product.value && bench.batch.value
    ? afterCare(bench.product.value, bench.batch.value, cureTemperatureC(bench.batch.value) ?? 20)
    : [],
);
const gaps = computed(() =>
  bench.product.value && bench.batch.value ? recordGaps(bench.product.value, bench.batch.value) : [],
);
const when = (min: number) =>
  bench.startMs.value === null ? '' : dayAndTime(new Date(bench.startMs.value + min * 60_000).toISOString());
</script>

<template>
  <div class="after" data-test="after">
    <p class="told">
      The run is in the record.
      <RouterLink :to="{ name: 'check', params: { code: bench.code.value } }">Check the piece</RouterLink>, or
      <RouterLink :to="{ name: 'batch', params: { code: bench.code.value } }">see the whole record</RouterLink>.
    </p>
    <section v-if="care.length">
      <h2>With the piece</h2>
      <ol class="care">
        <li v-for="c in care" :key="c.what">
          <strong>{{ when(c.afterMin) }}</strong><span>{{ c.says }}</span>
        </li>
      </ol>
    </section>
    <section v-if="gaps.length" data-test="gaps">
      <h2>Not recorded</h2>
      <ul class="gaps">
        <li v-for="g in gaps" :key="g.field">
          <RouterLink :to="{ name: 'edit-batch', params: { code: bench.code.value }, query: { at: g.field } }">{{
            g.label
          }}</RouterLink>: {{ midSentence(g.costs) }}
        </li>
      </ul>
    </section>
    <p v-else>Nothing that matters was left out.</p>
  </div>
</template>

<style scoped>
.after {
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
}
.told {
  font-size: 1.2rem;
}
.care li {
  display: grid;
  grid-template-columns: 11rem minmax(0, 1fr);
  gap: var(--space-3);
  padding: 5px 0;
  border-bottom: 1px solid var(--chalk-100);
}
.gaps {
  columns: 2;
  column-gap: var(--space-5);
}
.gaps li {
  padding: 4px 0;
  break-inside: avoid;
}
</style>
