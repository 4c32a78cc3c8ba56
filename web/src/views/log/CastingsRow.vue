<script setup lang="ts">
import { useUnits } from '../../stores/units';
import { castingName, type BatchSummary } from '@warm-jar/core';
import Checkbox from 'primevue/checkbox';
import { computed, ref } from 'vue';
import TableBox from '../../components/TableBox.vue';

const units = useUnits();

/** The castings of one row of the log: where each came from, how it ended, why, and for how much. */
const props = defineProps<{ batch: BatchSummary }>();
/** Those chosen to be held side by side; all, while none or one is. */
const chosen = ref<string[]>([]);
const compared = computed(() => {
  const ids = chosen.value.length > 1 ? chosen.value : props.batch.castings.map((k) => k.casting);
  return ids.map((id) => castingName(props.batch.code, id)).join(',');
});
</script>

<template>
  <div class="castings" :data-castings-of="batch.code">
    <TableBox label="Castings"
      ><table>
        <tbody>
          <tr v-for="k in batch.castings" :key="k.casting">
            <td v-if="batch.castings.length > 1">
              <Checkbox v-model="chosen" :value="k.casting" :aria-label="`Compare ${k.casting}`" />
            </td>
            <td class="figures">{{ k.casting }}</td>
            <td>{{ [k.mould, k.cavity === null ? null : `cavity ${k.cavity}`].filter(Boolean).join(', ') }}</td>
            <td>
              <strong :class="{ bad: k.grade !== 'pass' && k.grade !== null }">{{ k.grade ?? 'not graded' }}</strong>
            </td>
            <td>{{ k.reason ?? '' }}</td>
            <td class="figures n">{{ k.price === null ? '' : units.price(k.price) }}</td>
          </tr>
        </tbody>
      </table></TableBox
    >
    <RouterLink v-if="batch.castings.length > 1" :to="{ name: 'compare', query: { codes: compared } }"
      >Compare {{ chosen.length > 1 ? `these ${chosen.length}` : 'its castings' }}</RouterLink
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
