<script setup lang="ts">
import Button from 'primevue/button';
import { computed } from 'vue';
import type { Deed } from '@warm-jar/core';
import { accessApi } from '../../api/access';
import ProblemNote from '../../components/ProblemNote.vue';
import { useLoaded } from '../../components/useLoaded';
import { dayAndTime } from '../../components/words';
import { deedWords } from './deedWords';
import { useTried } from '../../components/people/useTried';
import TableBox from '../../components/TableBox.vue';

/** Who did what, latest first. What was done to a batch, field by field, stands in the batch's own history. */
const { value: deeds, problem, load } = useLoaded(() => accessApi.deeds(), 'The book could not be read.');
const { problem: refused, busy, tried } = useTried();
const last = computed(() => deeds.value?.at(-1)?.id ?? 0);
const more = () =>
  tried(async () => {
    deeds.value = [...(deeds.value ?? []), ...(await accessApi.deeds(last.value))];
  });
function who({ by, verified }: Deed): string {
  if (by === null) return 'nobody named';
  return verified ? by : `${by} (as named)`;
}
</script>

<template>
  <section class="card stack" aria-labelledby="deeds">
    <h2 id="deeds">Who did what</h2>
    <ProblemNote v-if="problem" :says="problem" again @again="load" />
    <p v-if="deeds?.length === 0" class="quiet">Nothing was done yet.</p>
    <TableBox label="Who did what" v-else
      ><table data-test="deeds">
        <thead>
          <tr>
            <th scope="col">When</th>
            <th scope="col">Who</th>
            <th scope="col">What</th>
            <th scope="col">From</th>
          </tr>
        </thead>
        <tbody class="small">
          <tr v-for="d in deeds ?? []" :key="d.id">
            <td>{{ dayAndTime(d.at) }}</td>
            <td>{{ who(d) }}</td>
            <td>{{ deedWords(d) }}</td>
            <td class="figures">{{ d.address }}</td>
          </tr>
        </tbody>
      </table></TableBox
    >
    <Button v-if="last > 1" class="left" label="Earlier ones" severity="secondary" :loading="busy" @click="more" />
    <ProblemNote v-if="refused" :says="refused" />
  </section>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
}
td,
th {
  padding: 6px 12px 6px 0;
  border-top: 1px solid var(--card-edge);
  overflow-wrap: anywhere;
}
.left {
  align-self: flex-start;
}
</style>
