<script setup lang="ts">
import EmptyPlace from '../../components/EmptyPlace.vue';
import { SYMPTOM_KINDS, levelWords, type Finding } from '@warm-jar/core';
import Select from 'primevue/select';
import { computed } from 'vue';
import { useRouter, type LocationQueryRaw } from 'vue-router';
import { InTurn } from '../../components/InTurn';
import { DateEntry } from '../../components/laterEntry';
import ProblemNote from '../../components/ProblemNote.vue';
import { inWords, symptomWords } from '../../components/words';
import { useProducts } from '../../stores/products';
import LearningTabs from './LearningTabs.vue';
import RateBars from './RateBars.vue';
import WorkingNote from '../../components/WorkingNote.vue';
import { dueWords, wouldFindWords } from './findingUse';
import { usePatterns } from './usePatterns';
import TableBox from '../../components/TableBox.vue';
import { whenNear } from '../../components/whenNear';

const DefectChart = whenNear(() => import('./DefectChart.vue'), 260);

/** What costs the studio its castings: each finding in one sentence, with its batches. */
const { from, to, kind, choose, patterns, chart } = usePatterns();
const router = useRouter();
const products = useProducts();
const names = computed(() => Object.fromEntries(products.cards.map((c) => [c.slug, c.name])));
const KINDS = [
  { value: 'any', words: 'any fault' },
  ...SYMPTOM_KINDS.map((value) => ({ value: value as string, words: inWords(value) })),
];
const answer = computed(() => patterns.answer.value);
const shownRates = computed(() => (answer.value?.rates ?? []).filter((r) => r.pattern !== 'unspecified').slice(0, 14));
const batchesOf = (f: Finding): LocationQueryRaw => ({
  fact: `${f.factor}:${f.level}`,
  symptom: f.kind,
  ...(f.pattern ? { pattern: f.pattern } : {}),
  ...(from.value ? { from: from.value } : {}),
  ...(to.value ? { to: to.value } : {}),
});
const title = (f: Pick<Finding, 'kind' | 'pattern'>) =>
  symptomWords({ kind: f.kind, pattern: f.pattern ?? 'unspecified' });
</script>

<template>
  <div class="stack">
    <LearningTabs />
    <div class="row spread head">
      <div>
        <h1>Patterns</h1>
        <p class="quiet counted" aria-live="polite">
          <template v-if="answer"
            >{{ answer.looked }} castings looked at, {{ answer.questions }} questions asked of them</template
          >
        </p>
      </div>
      <div class="row">
        <label class="small"
          >From
          <InTurn
            ><DateEntry
              id="patterns-from"
              label="From"
              placeholder="the beginning"
              :value="from || null"
              @change="choose({ from: $event ?? '' })" /></InTurn></label
        ><label class="small"
          >To
          <InTurn
            ><DateEntry
              id="patterns-to"
              label="To"
              placeholder="today"
              :value="to || null"
              @change="choose({ to: $event ?? '' })" /></InTurn
        ></label>
      </div>
    </div>
    <WorkingNote
      v-if="patterns.progress.value !== null"
      :share="patterns.progress.value"
      what="Working through the log"
      @stop="patterns.stop"
    />
    <ProblemNote v-if="patterns.problem.value" :says="patterns.problem.value" again @again="router.go(0)" />
    <div v-if="answer" class="columns">
      <section class="stack" aria-labelledby="found">
        <h2 id="found">What travels with faults</h2>
        <p v-if="answer.findings.length === 0" class="card" data-test="nothing">
          Nothing that chance would not make.
          {{ answer.looked < 40 ? 'Forty castings looked at are few; log on.' : 'The faults fall anywhere.' }}
        </p>
        <EmptyPlace v-if="answer.looked === 0" place="patterns" />
        <ol class="findings">
          <InTurn v-for="f in answer.findings" :key="f.kind + f.pattern + f.factor + f.level">
            <li class="card finding" :data-finding="`${f.factor}:${f.level}`">
              <div class="row spread">
                <h3>
                  <span class="first-up">{{ title(f) }}</span>:
                  {{ f.factor === 'product' ? (names[f.level] ?? f.level) : levelWords(f.factor, f.level, names) }}
                </h3>
                <span v-if="f.small" class="tag small">few castings</span
                ><span v-else-if="f.independent" class="tag small firm">stands by itself</span
                ><span v-else-if="f.confoundedWith" class="tag small">not parted</span
                ><span v-else class="tag small">not sure</span>
              </div>
              <div class="told">
                <div>
                  <p>{{ f.says }}</p>
                  <p class="due" data-test="due">
                    <strong>{{ dueWords(f, title(f)) }}</strong>
                  </p>
                </div>
                <div>
                  <RateBars :these="f.with" :others="f.without" /><RouterLink
                    class="small in-batches"
                    :to="{ name: 'log', query: batchesOf(f) }"
                    >Its {{ f.with.k }} castings, in their batches</RouterLink
                  >
                </div>
              </div>
            </li>
          </InTurn>
        </ol>
        <InTurn>
          <details v-if="answer.unanswered.length" class="card" data-test="unanswered">
            <summary>What this log could have shown</summary>
            <p class="small quiet">
              {{ answer.unansweredCount }} questions were not answered yes. That is no proof that there is nothing: each
              could only have shown a difference as large as this, four times in five. The sharpest
              {{ answer.unanswered.length }}:
            </p>
            <TableBox label="What this log could have shown"
              ><table class="small">
                <thead>
                  <tr>
                    <th scope="col">Fault</th>
                    <th scope="col">Castings</th>
                    <th scope="col">With it, of how many</th>
                    <th scope="col">Would have been found at</th>
                  </tr>
                </thead>
                <tbody>
                  <tr v-for="u in answer.unanswered" :key="u.kind + u.pattern + u.factor + u.level">
                    <td class="fault">{{ title(u) }}</td>
                    <td>{{ levelWords(u.factor, u.level, names) }}</td>
                    <td class="figures">{{ u.with.k }} of {{ u.with.n }}</td>
                    <td class="figures">{{ wouldFindWords(u) }}</td>
                  </tr>
                </tbody>
              </table></TableBox
            >
          </details>
        </InTurn>
      </section>
      <aside class="stack">
        <InTurn>
          <section class="card stack" aria-labelledby="over-time">
            <div class="row spread">
              <h2 id="over-time">Over time</h2>
              <Select
                :model-value="kind || 'any'"
                :options="KINDS"
                option-label="words"
                option-value="value"
                aria-label="Fault over time"
                @update:model-value="choose({ kind: $event === 'any' ? '' : $event })"
              />
            </div>
            <ProblemNote v-if="chart.problem.value" :says="chart.problem.value" />
            <div v-else-if="!chart.answer.value" class="chart-place words-too" />
            <template v-if="chart.answer.value">
              <div v-if="chart.answer.value.points.length" class="chart-place">
                <DefectChart
                  :chart="chart.answer.value"
                  :title="`Share of castings with ${kind ? inWords(kind) : 'any fault'}`"
                />
              </div>
              <p v-else class="quiet">Nothing was looked at in these days.</p>
              <ul class="small" data-test="changes">
                <li v-for="s in chart.answer.value.stretches" :key="s.from">{{ s.says }}</li>
                <li v-if="chart.answer.value.leftOut" class="quiet">
                  {{ chart.answer.value.leftOut }} with a date twenty years from the others are left out. Check their
                  years.
                </li>
              </ul>
              <p class="small quiet">
                Dashed: chance stays below it. Amber line: the rate changed. Diamond: beyond chance.
              </p>
            </template>
          </section>
          <section class="card" aria-labelledby="rates">
            <h2 id="rates">How often</h2>
            <TableBox label="How often"
              ><table class="small">
                <tbody>
                  <tr v-for="r in shownRates" :key="r.kind + r.pattern" :class="{ part: r.pattern !== null }">
                    <th scope="row">
                      <RouterLink
                        :to="{ name: 'log', query: { symptom: r.kind, ...(r.pattern ? { pattern: r.pattern } : {}) } }"
                        >{{ r.pattern ? inWords(r.pattern) : inWords(r.kind) }}</RouterLink
                      >
                    </th>
                    <td class="figures">{{ r.k }} of {{ r.n }}</td>
                    <td class="figures">
                      {{ Math.round(r.rate * 100) }} %
                      <span class="quiet">({{ Math.round(r.low * 100) }}–{{ Math.round(r.high * 100) }})</span>
                    </td>
                  </tr>
                </tbody>
              </table></TableBox
            >
          </section>
        </InTurn>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.in-batches {
  display: inline-block;
  padding-block: 8px;
}
th[scope='row'] {
  font-weight: inherit;
  text-align: start;
}
/* The room that the chart takes when it comes. */
.chart-place {
  min-height: 21.25rem;
}
/* And that of the count. */
.counted {
  min-height: 1.4em;
}
.words-too {
  min-height: 25rem;
}
.head label {
  display: flex;
  flex-direction: column;
  gap: 4px;
  /* The place of a date that is still to come. */
  width: 16rem;
  max-width: 100%;
  min-height: 4.5rem;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(20rem, 1fr);
  gap: var(--space-5);
  align-items: start;
}
.findings {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.finding {
  padding: var(--space-3) var(--space-4);
}
h3 .first-up {
  display: inline-block;
}
.told {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 12.5rem;
  gap: var(--space-4);
  align-items: start;
  margin-top: 4px;
  line-height: 1.35;
}
.due {
  padding-top: 4px;
}
.fault {
  white-space: nowrap;
}
summary {
  cursor: pointer;
  min-height: 40px;
  font-weight: 650;
}
th {
  text-align: left;
}
th + th {
  text-align: right;
  padding-left: var(--space-2);
}
.tag {
  border: 1px solid var(--ink-500);
  border-radius: 999px;
  padding: 1px 10px;
  color: var(--ink-700);
  white-space: nowrap;
}
.firm {
  background: var(--action);
  border-color: var(--action);
  color: #fff;
}
table {
  width: 100%;
  border-collapse: collapse;
  margin-top: var(--space-2);
}
td,
th[scope='row'] {
  padding: 4px 0;
  border-top: 1px solid var(--chalk-100);
}
td + td,
th + td {
  text-align: right;
  padding-left: var(--space-2);
  white-space: nowrap;
}
.part th[scope='row'] {
  padding-left: var(--space-4);
}
@media (max-width: 61.25em) {
  .columns,
  .told {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
