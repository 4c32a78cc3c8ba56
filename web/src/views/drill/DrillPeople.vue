<script setup lang="ts">
import { FAMILY_WORDS, LEVEL_WORDS, type DrillProgress } from '@warm-jar/core';
import { computed } from 'vue';
import { drillApi } from '../../api/drills';
import ProblemNote from '../../components/ProblemNote.vue';
import TableBox from '../../components/TableBox.vue';
import { useLoaded } from '../../components/useLoaded';
import { scored } from './drillWords';

/** Who is how far, for a lead: what each is ready for by their latest drills. */
const { value: people, problem, load } = useLoaded(drillApi.people, 'Who is how far could not be read.');
const mean = ({ runs }: DrillProgress) =>
  runs.length === 0 ? null : runs.reduce((sum, r) => sum + r.score, 0) / runs.length;
const rows = computed(() =>
  (people.value ?? []).map((p) => ({
    person: p.person ?? '',
    times: p.times,
    score: mean(p),
    ready: [
      ...p.levels.filter((l) => l.ready === true).map((l) => LEVEL_WORDS[l.level].title),
      ...p.families.filter((f) => f.ready === true).map((f) => FAMILY_WORDS[f.family].title),
    ],
    notYet: p.families.filter((f) => f.ready === false).map((f) => FAMILY_WORDS[f.family].title),
  })),
);
</script>

<template>
  <section class="card" aria-labelledby="drill-people" data-test="people">
    <h2 id="drill-people">Who is ready for what</h2>
    <ProblemNote v-if="problem" :says="problem" again @again="load" />
    <p v-else-if="people && rows.length === 0" class="quiet">Nobody of the studio’s people has taken a drill yet.</p>
    <TableBox v-else-if="rows.length" label="Who is ready for what">
      <table>
        <thead>
          <tr>
            <th scope="col">Who</th>
            <th scope="col" class="figure">Drills</th>
            <th scope="col" class="figure">Score</th>
            <th scope="col">Ready for</th>
            <th scope="col">Not yet</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.person" :data-person="r.person">
            <th scope="row">{{ r.person }}</th>
            <td class="figures figure">{{ r.times }}</td>
            <td class="figures figure">{{ scored(r.score) }}</td>
            <td>{{ r.ready.join('; ') || 'too few drills to say' }}</td>
            <td>{{ r.notYet.join('; ') || '–' }}</td>
          </tr>
        </tbody>
      </table>
    </TableBox>
    <p class="small quiet">
      Ready: the latest five score four fifths of what the ledger did on the same. A drill is no licence: who is shown
      the work at the bench decides the rest.
    </p>
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
  padding: 8px var(--space-2);
  border-bottom: 1px solid var(--card-edge);
}
.figure {
  text-align: right;
}
</style>
