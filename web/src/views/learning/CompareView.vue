<script setup lang="ts">
import { checksInOrder } from '@warm-jar/core';
import { sayField, type FairTrial, type TrialField } from '@warm-jar/core';
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { logApi } from '../../api/learning';
import { photoAddress } from '../../api/shelf';
import ProblemNote from '../../components/ProblemNote.vue';
import { inWords, startWords } from '../../components/words';
import { useLoaded } from '../../components/useLoaded';
import { useProducts } from '../../stores/products';
import { useUnits } from '../../stores/units';

/** Batches side by side: what differs, what was held, what is unknown, how they came out, and whether that can tell. */
const route = useRoute();
const products = useProducts();
const units = useUnits();
const codes = computed(() =>
  typeof route.query['codes'] === 'string' ? route.query['codes'].split(',').filter(Boolean) : [],
);
const { value, problem, load } = useLoaded(() => logApi.compare(codes.value), 'The batches could not be read.');
watch(codes, () => void load());
const trial = computed((): FairTrial | null => value.value?.trial ?? null);
const batches = computed(() => value.value?.batches ?? []);
const heldOpen = ref(false);
const CAN = { yes: 'It can tell', no: 'It cannot tell', 'not-yet': 'Not yet' } as const;
const SEVERITY = ['none', 'slight', 'plain', 'bad', 'spoiled'];
const said = (f: TrialField, v: TrialField['values'][number]) => (v === null ? '' : sayField(f.field, v, units.say));
const lastCheck = (i: number) => checksInOrder(batches.value[i] ?? {}).at(-1);
/** The hottest that resin or surface was read, or the peak written down. */
function hottest(i: number): number | null {
  const batch = batches.value[i];
  const read = [
    ...(batch?.readings ?? []).flatMap((r) =>
      (r.what === 'surface' || r.what === 'resin') && r.value != null ? [r.value] : [],
    ),
    ...(batch?.cure?.peakC == null ? [] : [batch.cure.peakC]),
  ];
  return read.length === 0 ? null : Math.max(...read);
}
const photos = (i: number) => (batches.value[i]?.checks ?? []).flatMap((c) => c.photos ?? []).slice(-2);
</script>

<template>
  <div class="stack">
    <div class="row spread">
      <h1>Compare batches</h1>
      <RouterLink :to="{ name: 'trials' }">All trials</RouterLink>
    </div>
    <p v-if="codes.length === 0" class="card">
      Choose batches in the <RouterLink :to="{ name: 'log' }">log</RouterLink> first.
    </p>
    <ProblemNote v-if="problem" :says="problem" again @again="load" />
    <template v-if="trial">
      <p class="card verdict" :class="trial.verdict.can" data-test="verdict">
        <strong>{{ CAN[trial.verdict.can] }}.</strong> {{ trial.verdict.says }}
      </p>
      <div class="card wide">
        <table data-test="compare">
          <thead>
            <tr>
              <th class="field">Batch</th>
              <th v-for="(b, i) in batches" :key="trial.codes[i] ?? i">
                <RouterLink class="figures" :to="{ name: 'batch', params: { code: b.code ?? '' } }">{{
                  trial.codes[i]
                }}</RouterLink><span class="small quiet block">{{
                  products.bySlug.get(b.product.slug)?.name ?? b.product.slug
                }}</span
                ><span class="small quiet block">{{ startWords(b) }}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr class="head">
              <th :colspan="batches.length + 1">How they came out</th>
            </tr>
            <tr v-for="o in trial.outcomes" :key="o.kind">
              <td class="field first-up">{{ inWords(o.kind) }}</td>
              <td v-for="(s, i) in o.severities" :key="i" :class="{ bad: (s ?? 0) > 1 }">
                {{ s === null ? 'not looked at' : SEVERITY[s] }}
              </td>
            </tr>
            <tr v-if="trial.outcomes.length === 0">
              <td class="field">Faults</td>
              <td v-for="(b, i) in batches" :key="i">{{ (b.checks ?? []).length ? 'none' : 'not looked at' }}</td>
            </tr>
            <tr>
              <td class="field">Hardness, last</td>
              <td v-for="(_b, i) in batches" :key="i" class="figures">{{ lastCheck(i)?.shore ?? '' }}</td>
            </tr>
            <tr v-if="batches.some((_b, i) => hottest(i) !== null)">
              <td class="field">Hottest reading</td>
              <td v-for="(_b, i) in batches" :key="i" class="figures">
                {{ hottest(i) === null ? '' : units.say(hottest(i)!, '°C') }}
              </td>
            </tr>
            <tr>
              <td class="field">Grade</td>
              <td v-for="(_b, i) in batches" :key="i">{{ lastCheck(i)?.grade ?? 'none yet' }}</td>
            </tr>
            <tr v-if="batches.some((_b, i) => photos(i).length > 0)">
              <td class="field">Photos</td>
              <td v-for="(_b, i) in batches" :key="i">
                <img v-for="p in photos(i)" :key="p.id" :src="photoAddress(p.id)" alt="" class="photo" />
              </td>
            </tr>
            <tr class="head">
              <th :colspan="batches.length + 1">What differs: {{ trial.differs.length }}</th>
            </tr>
            <tr v-for="f in trial.differs" :key="f.field" class="differs" :data-field="f.field">
              <td class="field">{{ f.label }}</td>
              <td v-for="(v, i) in f.values" :key="i" class="figures">{{ said(f, v) || 'not recorded' }}</td>
            </tr>
            <tr v-if="trial.unknown.length" class="head">
              <th :colspan="batches.length + 1">What is unknown in some: {{ trial.unknown.length }}</th>
            </tr>
            <tr v-for="f in trial.unknown" :key="f.field" class="unknown" :data-field="f.field">
              <td class="field">{{ f.label }}</td>
              <td v-for="(v, i) in f.values" :key="i" class="figures">{{ said(f, v) || 'not recorded' }}</td>
            </tr>
            <tr class="head">
              <th :colspan="batches.length + 1">
                <button type="button" :aria-expanded="heldOpen" @click="heldOpen = !heldOpen">
                  What was held: {{ trial.held.length }}. {{ heldOpen ? 'Hide' : 'Show' }}
                </button>
              </th>
            </tr>
            <template v-if="heldOpen"
              ><tr v-for="f in trial.held" :key="f.field" :data-field="f.field">
                <td class="field">{{ f.label }}</td>
                <td v-for="(v, i) in f.values" :key="i" class="figures">{{ said(f, v) }}</td>
              </tr></template
            >
          </tbody>
        </table>
      </div>
    </template>
  </div>
</template>

<style scoped>
.verdict {
  border-left: 6px solid var(--ink-500);
  font-size: 1.1rem;
}
.yes {
  border-left-color: var(--action);
}
.no {
  border-left-color: var(--outside);
}
.wide {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: left;
  padding: 6px var(--space-4) 6px 0;
  border-bottom: 1px solid var(--chalk-100);
  vertical-align: top;
  min-width: 8rem;
}
.field {
  min-width: 13rem;
  position: sticky;
  left: 0;
  background: var(--card);
}
.head th {
  padding-top: var(--space-4);
  font-size: 1.02rem;
}
.head button {
  font: inherit;
  background: none;
  border: 0;
  padding: 0;
  min-height: var(--target);
  text-decoration: underline;
  cursor: pointer;
  color: var(--action);
}
.differs td {
  font-weight: 700;
}
.unknown td {
  color: var(--text-quiet);
}
.bad {
  color: var(--outside);
  font-weight: 700;
}
.block {
  display: block;
}
.photo {
  width: 7.5rem;
  height: 90px;
  object-fit: cover;
  border-radius: var(--radius);
  margin-right: 6px;
}
@media print {
  .wide {
    overflow: visible;
  }
}
</style>
