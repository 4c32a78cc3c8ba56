<script setup lang="ts">
import { castingName, type BatchSummary } from '@warm-jar/core';

/** The castings of one row of the log: where each came from, how it ended, why, and for how much. */
defineProps<{ batch: BatchSummary }>();
</script>

<template>
  <div class="castings" :data-castings-of="batch.code">
    <table>
      <tbody>
        <tr v-for="k in batch.castings" :key="k.casting">
          <td class="figures">{{ k.casting }}</td>
          <td>{{ [k.mould, k.cavity === null ? null : `cavity ${k.cavity}`].filter(Boolean).join(', ') }}</td>
          <td>
            <strong :class="{ bad: k.grade !== 'pass' && k.grade !== null }">{{ k.grade ?? 'not graded' }}</strong>
          </td>
          <td>{{ k.reason ?? '' }}</td>
          <td class="figures n">{{ k.price === null ? '' : k.price.toFixed(2) }}</td>
        </tr>
      </tbody>
    </table>
    <RouterLink
      v-if="batch.castings.length > 1"
      :to="{
        name: 'compare',
        query: { codes: batch.castings.map((k) => castingName(batch.code, k.casting)).join(',') },
      }"
      >Hold its castings side by side</RouterLink
    >
  </div>
</template>

<style scoped>
.castings {
  padding-left: 6rem;
}
table {
  border-collapse: collapse;
}
td {
  padding: 4px var(--space-4) 4px 0;
}
.n {
  text-align: right;
}
.bad {
  color: var(--outside);
}
</style>
