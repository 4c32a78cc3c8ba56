<script setup lang="ts">
import { FAMILY_WORDS, LEVEL_WORDS, QUICK_TITLES, type DrillProgress } from '@warm-jar/core';
import { computed } from 'vue';
import TableBox from '../../components/TableBox.vue';
import { dayAndTime } from '../../components/words';
import { whenNear } from '../../components/whenNear';
import { readyWords, scoreSpec, scored } from './drillWords';
import CauseTally from './CauseTally.vue';
import SurenessChart from './SurenessChart.vue';

/** How one is doing: whether sureness came true, by level, family and cause, and what comes back. */
const props = defineProps<{ progress: DrillProgress }>();
const LineChart = whenNear(() => import('../../components/LineChart.vue'));
const levels = computed(() => props.progress.levels.filter((l) => l.times > 0));
const quick = computed(() => props.progress.quick.filter((q) => q.times > 0));
/** As many causes as one can work on. */
const WEAKEST = 6;
const causes = computed(() => props.progress.causes.slice(0, WEAKEST));
const others = computed(() => props.progress.causes.slice(WEAKEST));
const minutes = computed(() => {
  const latest = props.progress.runs.slice(-10);
  if (latest.length === 0) return null;
  const mean = (all: number[]) => Math.round((10 * all.reduce((a, b) => a + b, 0)) / all.length) / 10;
  return { own: mean(latest.map((r) => r.minutes)), ledger: mean(latest.map((r) => r.ledgerMin)) };
});
</script>

<template>
  <div class="cards">
    <section class="card" aria-labelledby="p-sure">
      <h2 id="p-sure">Does your sureness come true?</h2>
      <SurenessChart :steps="progress.calibration" />
      <p v-if="minutes" class="small quiet">
        Lately {{ minutes.own }} min asking for each cast; the ledger needed {{ minutes.ledger }} min.
        <template v-if="progress.mends.chosen > 0"
          >Mends right: {{ progress.mends.right }} of {{ progress.mends.chosen }}.</template
        >
      </p>
    </section>
    <section v-if="progress.runs.length > 1" class="card" aria-labelledby="p-score">
      <h2 id="p-score">Your score, drill by drill</h2>
      <LineChart :spec="scoreSpec(progress.runs)" />
    </section>
    <section v-if="levels.length" class="card" aria-labelledby="p-levels">
      <h2 id="p-levels">By level and family</h2>
      <TableBox label="Drills by level and family">
        <table>
          <thead>
            <tr>
              <th scope="col">Drills</th>
              <th scope="col" class="figure">Taken</th>
              <th scope="col" class="figure">Score</th>
              <th scope="col" class="figure">Ledger</th>
              <th scope="col">Ready</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="l in levels" :key="l.level">
              <th scope="row">{{ LEVEL_WORDS[l.level].title }}</th>
              <td class="figures figure">{{ l.times }}</td>
              <td class="figures figure">{{ scored(l.score) }}</td>
              <td class="figures figure">{{ scored(l.ledger) }}</td>
              <td>{{ readyWords(l) }}</td>
            </tr>
            <tr v-for="f in progress.families" :key="f.family">
              <th scope="row">{{ FAMILY_WORDS[f.family].title }}</th>
              <td class="figures figure">{{ f.times }}</td>
              <td class="figures figure">{{ scored(f.score) }}</td>
              <td class="figures figure">{{ scored(f.ledger) }}</td>
              <td>{{ readyWords(f) }}</td>
            </tr>
          </tbody>
        </table>
      </TableBox>
    </section>
    <section v-if="causes.length || progress.confusions.length" class="card" aria-labelledby="p-causes">
      <h2 id="p-causes">What to work on</h2>
      <ul v-if="progress.confusions.length" class="lines">
        <li v-for="c in progress.confusions" :key="c.cause + c.takenFor" :data-confusion="c.cause">
          {{ c.titles[0] }}, taken for: {{ c.titles[1] }}
          <span class="quiet small">back on {{ dayAndTime(c.due) }}</span>
        </li>
      </ul>
      <CauseTally :causes="causes" />
      <details v-if="others.length">
        <summary>{{ others.length }} more</summary>
        <CauseTally :causes="others" />
      </details>
    </section>
    <section v-if="progress.bench.times" class="card" aria-labelledby="p-bench">
      <h2 id="p-bench">At the bench</h2>
      <p class="figures" data-test="bench-runs">{{ progress.bench.sound }} of {{ progress.bench.times }} casts sound</p>
    </section>
    <section v-if="quick.length" class="card" aria-labelledby="p-quick">
      <h2 id="p-quick">Sums in a minute</h2>
      <dl class="lines">
        <div v-for="q in quick" :key="q.topic" class="row spread">
          <dt>{{ QUICK_TITLES[q.topic] }}</dt>
          <dd class="figures">{{ q.right }} of {{ q.times }} right, {{ q.inTime }} in time</dd>
        </div>
      </dl>
    </section>
  </div>
</template>

<style scoped>
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(24rem, 100%), 1fr));
  gap: var(--space-4);
  align-items: start;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 6px var(--space-2);
  border-bottom: 1px solid var(--card-edge);
}
tbody th {
  font-weight: 400;
}
.figure {
  text-align: right;
}
summary {
  min-height: var(--target);
  padding-top: 12px;
  cursor: pointer;
}
.lines {
  display: grid;
  gap: var(--space-2);
  padding-top: var(--space-2);
}
</style>
