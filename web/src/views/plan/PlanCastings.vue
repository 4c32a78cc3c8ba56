<script setup lang="ts">
import { sayMinutes, type Plan } from '@warm-jar/core';
import { useUnits } from '../../stores/units';
import { usePlanContext } from './usePlan';
import TableBox from '../../components/TableBox.vue';

/** Several moulds from one cup, each answered by itself: the one that fails is named, the others stand. */
defineProps<{ castings: NonNullable<Plan['castings']> }>();
const { picked } = usePlanContext();
const units = useUnits();
</script>

<template>
  <section class="card stack" aria-labelledby="each-mould" data-test="each-mould">
    <h2 id="each-mould">Each mould by itself</h2>
    <TableBox label="Each mould by itself"
      ><table>
        <thead>
          <tr>
            <th>Mould</th>
            <th class="n">Takes</th>
            <th class="n">Peak</th>
            <th class="n">Pours</th>
            <th class="n">Out after</th>
            <th>Against it</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(k, i) in castings" :key="k.mould ?? i" :data-mould="k.mould">
            <td>
              <button type="button" class="pick" :aria-pressed="picked === i" @click="picked = i">
                <strong class="figures">{{ k.mould ?? i + 1 }}</strong>
              </button>
            </td>
            <td class="n figures">{{ k.massG === null ? '–' : units.say(k.massG, 'g') }}</td>
            <td class="n figures">{{ k.peakC === null ? '–' : units.say(Math.round(k.peakC), '°C') }}</td>
            <td class="n figures">{{ k.pours }}</td>
            <td class="n figures">{{ k.demouldMin === null ? '–' : sayMinutes(k.demouldMin) }}</td>
            <td>
              <ul v-if="k.warnings.length">
                <li v-for="w in k.warnings" :key="w.code" :class="{ stop: w.stop }">{{ w.says }}</li>
              </ul>
              <span v-else class="quiet">nothing</span>
            </td>
          </tr>
        </tbody>
      </table></TableBox
    >
  </section>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 4px var(--space-3) 4px 0;
  border-bottom: 1px solid var(--chalk-100);
  vertical-align: top;
}
.n {
  text-align: right;
  white-space: nowrap;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.stop {
  color: var(--outside);
  font-weight: 700;
}
.pick {
  font: inherit;
  min-height: var(--target);
  min-width: 4.5rem;
  background: none;
  border: 2px solid transparent;
  border-radius: var(--radius);
  cursor: pointer;
  color: inherit;
}
.pick[aria-pressed='true'] {
  border-color: var(--action);
  background: var(--bottle-50);
}
</style>
