<script setup lang="ts">
import { levelWords, schoolOf, type Factor, type Patterns } from '@warm-jar/core';
import { computed, onMounted } from 'vue';
import ProblemNote from '../../components/ProblemNote.vue';
import TableBox from '../../components/TableBox.vue';
import { inWords } from '../../components/words';
import { useLearning } from '../../stores/useLearning';
import WorkingNote from '../../components/WorkingNote.vue';

/** A matter on which people disagree: each side, what is done here, and what the studio's own log says. */
const props = defineProps<{ id: string }>();
const school = computed(() => schoolOf(props.id));
const { answer, progress, problem, ask, stop } = useLearning<{ what: 'patterns' }>();
const again = () => void ask({ what: 'patterns' });
onMounted(again);

interface Said {
  readonly key: string;
  readonly what: string;
  readonly level: string;
  readonly with: string;
  readonly without: string;
  readonly sure: string;
}
const share = ({ k, n }: { k: number; n: number }) => `${k} of ${n} (${Math.round((100 * k) / Math.max(1, n))} %)`;
/** Both what was found and what was not, of the factors that this is about. */
function saidOf(log: Patterns, factors: readonly Factor[]): Said[] {
  const line = (f: Patterns['unanswered'][number] | Patterns['findings'][number], sure: string): Said => ({
    key: `${f.kind} ${f.pattern ?? ''} ${f.factor} ${f.level}`,
    what: f.pattern === null ? inWords(f.kind) : `${inWords(f.kind)}, ${inWords(f.pattern)}`,
    level: levelWords(f.factor, f.level),
    with: share(f.with),
    without: share(f.without),
    sure,
  });
  return [
    ...log.findings
      .filter((f) => factors.includes(f.factor))
      .map((f) => line(f, f.independent ? 'more than chance' : 'more than chance, but something else goes with it')),
    ...log.unanswered.filter((f) => factors.includes(f.factor)).map((f) => line(f, 'may be chance')),
  ];
}
/** As many as are read at a glance. */
const MOST = 10;
const said = computed(() =>
  answer.value && school.value ? saidOf(answer.value, school.value.factors).slice(0, MOST) : [],
);
</script>

<template>
  <article v-if="school" class="stack" :data-school="school.id">
    <h1>{{ school.title }}</h1>
    <ul class="sides">
      <li v-for="s in school.sides" :key="s.says" class="card">
        <h2>{{ s.says }}</h2>
        <p>{{ s.because }}</p>
      </li>
    </ul>
    <section class="card" aria-labelledby="g-done">
      <h2 id="g-done">What Warm Jar does</h2>
      <p>{{ school.here }}</p>
    </section>
    <section class="card" aria-labelledby="g-log">
      <h2 id="g-log">What your own log says</h2>
      <ProblemNote v-if="problem" :says="problem" again @again="again" />
      <WorkingNote v-else-if="!answer" :share="progress ?? 0" what="Going through the log" @stop="stop" />
      <p v-else-if="said.length === 0" class="quiet">
        Too few castings differ in this to say anything: nothing is held for or against either side.
      </p>
      <TableBox v-else label="What the log says"
        ><table>
          <thead>
            <tr>
              <th scope="col">Fault</th>
              <th scope="col">Where</th>
              <th scope="col">Castings so made</th>
              <th scope="col">The others</th>
              <th scope="col">How sure</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in said" :key="s.key">
              <td>{{ s.what }}</td>
              <td>{{ s.level }}</td>
              <td class="figures">{{ s.with }}</td>
              <td class="figures">{{ s.without }}</td>
              <td>{{ s.sure }}</td>
            </tr>
          </tbody>
        </table></TableBox
      >
    </section>
  </article>
  <p v-else class="card">There is no such page.</p>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(16rem, 100%), 1fr));
  gap: var(--space-3);
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: start;
  padding: 8px 12px 8px 0;
  border-bottom: 1px solid var(--card-edge);
}
</style>
