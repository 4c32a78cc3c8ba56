<script setup lang="ts">
import { useUnits } from '../../stores/units';
import { monthsBefore } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed, watch } from 'vue';
import { useRouter } from 'vue-router';
import type { LearningQuestion } from '../../api/learning';
import CauseLink from '../../components/CauseLink.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { download } from '../../components/download';
import { inWords, symptomWords } from '../../components/words';
import { useLearning } from '../../stores/useLearning';
import LearningTabs from './LearningTabs.vue';
import WorkingNote from '../../components/WorkingNote.vue';
import { againstBefore, daysOf, monthAfter, monthRows, monthTitle } from './monthWords';
import TableBox from '../../components/TableBox.vue';

const units = useUnits();

/** A month on one page: what went wrong, what it turned out to be, what was changed, and what it all cost. */
const props = defineProps<{ month?: string }>();
const { answer, problem, progress, ask, stop } = useLearning<Extract<LearningQuestion, { what: 'month' }>>();
const router = useRouter();
const again = () => void ask({ what: 'month', ...(props.month ? { month: props.month } : {}) });
watch(() => props.month, again, { immediate: true });
const report = computed(() => answer.value);
const go = (month: string) => void router.push({ name: 'month', params: { month } });
const print = () => {
  window.print();
};
const save = () => {
  if (report.value)
    download(`month-${report.value.month}.json`, 'application/json', JSON.stringify(report.value, null, 2));
};
const main = computed(() => (report.value?.faults ?? []).filter((f) => f.pattern === null));
const patternsOf = (kind: string) =>
  (report.value?.faults ?? []).filter((f) => f.kind === kind && f.pattern !== null && f.pattern !== 'unspecified');
const inLog = (query: Record<string, string>) => ({
  name: 'log',
  query: { ...(report.value ? daysOf(report.value.month) : {}), ...query },
});
const lossOf = (kind: string) => report.value?.losses.find((l) => l.kind === kind && l.money >= 0.5) ?? null;
</script>

<template>
  <div class="stack">
    <LearningTabs class="screen" />
    <div class="row spread">
      <div>
        <h1>{{ report ? monthTitle(report.month) : 'The month' }}</h1>
        <p v-if="report" class="quiet" aria-live="polite">
          <template v-if="report.against > 0"
            >Against a month of the {{ report.against }} before it, on average.</template
          ><template v-else>There is no month before it to hold it against.</template>
        </p>
      </div>
      <div v-if="report" class="row screen">
        <Button
          label="Month before"
          severity="secondary"
          icon="pi pi-arrow-left"
          @click="go(monthsBefore(report.month, 1))"
        />
        <Button
          label="Month after"
          severity="secondary"
          icon="pi pi-arrow-right"
          @click="go(monthAfter(report.month))"
        />
        <Button label="Print" severity="secondary" icon="pi pi-print" @click="print" />
        <Button label="Save as JSON" severity="secondary" icon="pi pi-download" @click="save" />
      </div>
    </div>
    <WorkingNote v-if="progress !== null" :share="progress" what="Counting the month" @stop="stop" />
    <ProblemNote v-if="problem" :says="problem" again @again="again" />
    <template v-if="report">
      <p v-if="report.yield.batches === 0" class="card" data-test="empty">
        Nothing was poured in this month.
        <RouterLink :to="{ name: 'log' }">The log</RouterLink> has the others.
      </p>
      <div v-else class="columns">
        <div class="stack">
          <section class="card stack" aria-labelledby="wrong">
            <h2 id="wrong">What went wrong</h2>
            <p v-if="main.length === 0" class="quiet">
              {{ report.yield.looked === 0 ? 'Nobody has looked at any of it yet.' : 'Nothing that anybody saw.' }}
            </p>
            <div v-for="f in main" :key="f.kind" class="fault" :data-fault="f.kind">
              <p class="row spread">
                <RouterLink :to="inLog({ symptom: f.kind })"
                  ><strong class="first-up">{{ inWords(f.kind) }}</strong></RouterLink
                >
                <span class="figures"
                  >{{ f.k }} of {{ f.n }} castings looked at, {{ Math.round(f.rate * 100) }} %
                  <span class="quiet">({{ againstBefore(f.before) }})</span></span
                >
              </p>
              <p v-if="patternsOf(f.kind).length" class="small quiet">
                {{
                  patternsOf(f.kind)
                    .map((p) => `${inWords(p.pattern ?? '')} ${p.k}`)
                    .join(', ')
                }}
              </p>
              <p v-if="lossOf(f.kind)" class="small">
                Lost with it: <span class="figures">{{ units.price(lossOf(f.kind)!.money, 0) }}</span>, by the prices
                known.
              </p>
            </div>
          </section>
          <section class="card stack" aria-labelledby="was">
            <h2 id="was">What it turned out to be</h2>
            <ul v-if="report.outcomes.length">
              <li v-for="o in report.outcomes" :key="o.kind + o.cause" class="row spread" data-test="month-outcome">
                <span
                  ><span class="first-up">{{ symptomWords({ kind: o.kind, pattern: 'unspecified' }) }}</span
                  >: <CauseLink :id="o.cause" within /></span
                ><RouterLink class="figures" :to="inLog({ outcome: o.cause })">{{ o.batches.join(', ') }}</RouterLink>
              </li>
            </ul>
            <p v-else class="quiet">Of this month's faults nobody has said yet what they turned out to be.</p>
            <p v-if="report.unknown.length" class="small" data-test="month-unknown">
              Not known yet:
              <template v-for="(code, i) in report.unknown" :key="code"
                ><template v-if="i > 0">, </template
                ><RouterLink class="figures" :to="{ name: 'diagnosis', params: { code } }">{{
                  code
                }}</RouterLink></template
              >.
            </p>
          </section>
          <section class="card stack" aria-labelledby="changed">
            <h2 id="changed">What was changed, and whether it helped</h2>
            <ul v-if="report.changes.length">
              <li v-for="c in report.changes" :key="c.to" class="row spread">
                <span
                  ><RouterLink class="figures" :to="{ name: 'batch', params: { code: c.to } }">{{ c.to }}</RouterLink>
                  against {{ c.from }}: {{ c.says.join(' ') }}</span
                ><strong>{{ c.verdict }}</strong>
              </li>
            </ul>
            <p v-else class="quiet">No batch was copied with a change.</p>
          </section>
        </div>
        <section class="card stack" aria-labelledby="yield">
          <h2 id="yield">Yield and cost</h2>
          <TableBox label="Yield and cost"
            ><table class="small">
              <thead>
                <tr>
                  <td />
                  <th scope="col">{{ monthTitle(report.month) }}</th>
                  <th v-if="report.before" scope="col">A month before</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="r in monthRows(report, (v) => units.price(v, 0))" :key="r.words">
                  <th scope="row">{{ r.words }}</th>
                  <td class="figures">{{ r.now }}</td>
                  <td v-if="report.before" class="figures">{{ r.before }}</td>
                </tr>
              </tbody>
            </table></TableBox
          >
          <p class="small quiet">Money by the prices of lots and castings; what has none is left out.</p>
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(18.75rem, 1fr);
  gap: var(--space-5);
  align-items: start;
}
.fault + .fault,
li + li {
  border-top: 1px solid var(--card-edge);
}
.fault,
li {
  padding: 6px 0;
}
.first-up {
  display: inline-block;
}
.first-up::first-letter {
  text-transform: uppercase;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: right;
  padding: 5px 0 5px var(--space-2);
  border-top: 1px solid var(--chalk-100);
}
th[scope='row'] {
  text-align: left;
  font-weight: 400;
  padding-left: 0;
}
@media (max-width: 61.25em) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .screen {
    display: none;
  }
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
