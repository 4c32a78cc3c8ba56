<script setup lang="ts">
import { planSchema, sayMinutes, type Batch, type Product } from '@warm-jar/core';
import { computed } from 'vue';
import { useUnits } from '../../stores/units';
import TableBox from '../../components/TableBox.vue';

/** What was planned for this batch, beside what was then recorded. */
const props = defineProps<{ batch: Batch; product: Product }>();
const units = useUnits();
const plan = computed(() => {
  const r = planSchema.safeParse(props.batch.plan);
  return r.success ? r.data : null;
});
const amount = (v: number | null | undefined) => (v == null ? null : units.say(v, props.batch.mix?.unit ?? 'g'));
const rows = computed(() => {
  const p = plan.value;
  if (!p) return [];
  const end = (what: string) => p.timeline.find((s) => s.what === what)?.toMin ?? null;
  const time = (m: number | null | undefined) => (m == null ? null : sayMinutes(m));
  return [
    { name: 'A', planned: units.say(p.partA.massG, 'g'), got: amount(props.batch.mix?.amountA) },
    ...(p.partB.massG === null
      ? []
      : [
          {
            name: props.product.ratio.catalyst ? 'Catalyst' : 'B',
            planned: units.say(p.partB.massG, 'g'),
            got: amount(props.batch.mix?.amountB),
          },
        ]),
    { name: 'Stirred', planned: time(end('stir')), got: time(props.batch.mix?.stirMin) },
    { name: 'Poured by', planned: time(end('pour')), got: time(props.batch.pour?.finishedMin) },
    ...(p.pressureKPa === null
      ? []
      : [
          {
            name: 'Pressure',
            planned: units.say(p.pressureKPa, 'kPa'),
            got: props.batch.pressure?.gaugeKPa == null ? null : units.say(props.batch.pressure.gaugeKPa, 'kPa'),
          },
          { name: 'At pressure by', planned: time(end('pressurise')), got: time(props.batch.pressure?.reachedMin) },
        ]),
    { name: 'Pot life', planned: time(p.potLifeMin), got: null },
    ...(p.demouldMin === null
      ? []
      : [{ name: 'Demould', planned: time(p.demouldMin), got: time(props.batch.cure?.demouldedMin) }]),
  ].filter((r) => r.planned !== null);
});
</script>

<template>
  <section v-if="plan" class="card" aria-labelledby="planned" data-test="planned">
    <h2 id="planned">As planned</h2>
    <TableBox label="As planned"
      ><table class="small">
        <thead>
          <tr>
            <th scope="col"><span class="visually-hidden">What</span></th>
            <th scope="col">plan</th>
            <th scope="col">record</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.name">
            <th scope="row">{{ r.name }}</th>
            <td class="figures">{{ r.planned }}</td>
            <td class="figures" :class="{ quiet: r.got === null }">{{ r.got ?? '–' }}</td>
          </tr>
        </tbody>
      </table></TableBox
    >
    <p v-if="plan.warnings.length" class="small quiet">
      The plan warned: {{ plan.warnings.map((w) => w.says).join(' ') }}
    </p>
  </section>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: right;
  padding: 3px 0 3px 10px;
  border-bottom: 1px solid var(--chalk-100);
  font-weight: 400;
}
th:first-child {
  text-align: left;
  padding-left: 0;
  font-weight: 650;
}
</style>
