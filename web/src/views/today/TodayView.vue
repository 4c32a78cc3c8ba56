<script setup lang="ts">
import Button from 'primevue/button';
import { computed, onMounted } from 'vue';
import { usePhone } from '../../components/usePhone';
import CopyFailureNote from '../../components/CopyFailureNote.vue';
import KeyCap from '../../components/KeyCap.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { startWords, symptomWords } from '../../components/words';
import { useDraft } from '../../stores/draft';
import { useSession } from '../../stores/session';
import { useWork } from '../../stores/work';
import { agendaOf } from './agenda';
import { accessApi } from '../../api/access';
import { backupApi } from '../../api/backup';
import { piecesApi, type DueLayer } from '../../api/pieces';
import { useLoaded } from '../../components/useLoaded';
import { LOOKING_ROUND } from '../../api/base';
import { InTurn } from '../../components/InTurn';
import TimeWord from '../../components/TimeWord.vue';
import EmptyPlace from '../../components/EmptyPlace.vue';
import LookRoundCard from '../../components/LookRoundCard.vue';
import { useOpening } from '../../stores/opening';
import BenchCard from './BenchCard.vue';
import { useDueChecks } from './useDueChecks';
import { useRecentFaults } from './useRecentFaults';
import { lookWords, soonWords } from './whenWords';

/** What needs a hand now, what is due, and what went wrong lately. */
const work = useWork();
const opening = useOpening();
onMounted(() => void opening.loadIfNew());
const draft = useDraft().forCode(null);
const { faults, problem: faultsProblem, load: loadFaults } = useRecentFaults();
const atBench = computed(() => work.items.filter((i) => i.stage !== 'check'));
const { due, problem: dueProblem, load: loadDue } = useDueChecks();
/** Layers to be poured within two days. */
const { value: layers, problem: layersProblem } = useLoaded(
  (): Promise<DueLayer[]> => piecesApi.due(2),
  'The pieces could not be read.',
);
const session = useSession();
/** Opened by a lead; another is told what belongs here. */
const isNew = computed(() => opening.isNew && session.isLead);
const phone = usePhone();
/** Whether the copies made by themselves are made: for a lead to know. */
const { value: backup } = useLoaded(
  () => (session.isLead && !LOOKING_ROUND ? backupApi.schedule() : Promise.resolve(null)),
  'The copies could not be asked for.',
);
/** Where a calendar subscribes; its address holds a secret. */
const { value: calendar } = useLoaded(() => accessApi.calendar(), 'The calendar could not be asked for.');
const minuteMs = computed(() => Math.floor(work.nowMs / 60_000) * 60_000);
const agenda = computed(() => agendaOf(work.items, minuteMs.value).slice(0, 8));
/** What stands below comes when what stands above it is there: nothing moves away from under a hand. */
const isRead = computed(
  () =>
    work.loaded &&
    [faults.value ?? faultsProblem.value, due.value ?? dueProblem.value, layers.value ?? layersProblem.value].every(
      (answer) => answer !== null,
    ),
);
</script>

<template>
  <div class="stack">
    <div class="row spread">
      <h1>Today</h1>
      <div class="row">
        <RouterLink v-if="!phone" class="p-button p-component p-button-secondary" :to="{ name: 'board' }"
          >Wall board</RouterLink
        >
        <RouterLink class="p-button p-component p-button-secondary" :to="{ name: 'plan' }"
          >Plan a batch <KeyCap k="m"
        /></RouterLink>
        <RouterLink :to="{ name: 'new-batch' }" custom v-slot="{ navigate }"
          ><Button @click="navigate"
            ><i class="pi pi-plus" aria-hidden="true" />{{ draft ? 'Go on with the draft' : 'Log a batch' }}
            <KeyCap k="n" /></Button
        ></RouterLink>
      </div>
    </div>
    <ProblemNote v-if="work.problem" :says="work.problem" again @again="work.load" />
    <RouterLink v-if="backup?.failure" :to="{ name: 'backup' }" class="plain"
      ><CopyFailureNote :failure="backup.failure"
    /></RouterLink>

    <section aria-labelledby="now" class="stack">
      <h2 id="now">In work</h2>
      <template v-if="work.loaded && !work.problem && atBench.length === 0">
        <section v-if="isNew" class="card stack" aria-labelledby="new-studio" data-test="new-studio">
          <h3 id="new-studio">This studio is new</h3>
          <p>
            A few steps bring in what is needed first: a product from its data sheet, a scale, a mould, a first batch.
          </p>
          <div class="row">
            <RouterLink class="p-button p-component" :to="{ name: 'opening' }">Open the studio</RouterLink>
          </div>
        </section>
        <LookRoundCard v-if="isNew" />
        <EmptyPlace v-else place="work" />
      </template>
      <ul class="benches">
        <li v-for="item in atBench" :key="item.code">
          <InTurn><BenchCard :item="item" /></InTurn>
        </li>
      </ul>
    </section>

    <div v-if="isRead" class="columns">
      <InTurn>
        <section aria-labelledby="due" class="stack">
          <h2 id="due">Checks</h2>
          <ProblemNote v-if="dueProblem" :says="dueProblem" again @again="loadDue" />
          <p v-else-if="due && due.length === 0" class="card quiet">No check is due today.</p>
          <ul v-else class="card lines" data-test="due">
            <li v-for="c in due ?? []" :key="c.code">
              <RouterLink class="figures code" :to="{ name: 'batch', params: { code: c.code } }">{{
                c.code
              }}</RouterLink>
              <span class="grow"
                >{{ c.productName }}<template v-if="c.mould">, {{ c.mould }}</template
                ><span class="quiet small block">{{ c.why }}</span></span
              >
              <TimeWord :at-ms="Date.parse(c.at)" :say="lookWords" marks-late />
              <RouterLink class="do" :to="{ name: 'check', params: { code: c.code } }">Check</RouterLink>
            </li>
          </ul>
          <p v-if="calendar && !LOOKING_ROUND" class="small quiet">
            For a calendar: <a :href="calendar" data-test="calendar">agenda.ics</a>
          </p>
        </section>
      </InTurn>
      <InTurn v-if="layers?.length">
        <section aria-labelledby="layers" class="stack">
          <h2 id="layers">Next layers</h2>
          <ul class="card lines" data-test="layers">
            <li v-for="l in layers" :key="`${l.piece} ${l.layer} ${l.at}`">
              <RouterLink class="figures code" :to="{ name: 'piece', params: { code: l.piece } }">{{
                l.piece
              }}</RouterLink><span class="grow"
                ><template v-if="l.join === undefined"
                  >Layer {{ l.layer }}, {{ l.product }}, on the {{ l.name }}</template
                ><template v-else>Joint of the {{ l.name }}</template
                ><span class="quiet small block">{{ l.says }}</span></span
              ><TimeWord :at-ms="Date.parse(l.at)" :say="soonWords" />
            </li>
          </ul>
        </section>
      </InTurn>
      <InTurn v-if="agenda.length">
        <section aria-labelledby="agenda" class="stack">
          <h2 id="agenda">With the pieces</h2>
          <ul class="card lines" data-test="agenda">
            <li v-for="l in agenda" :key="l.code + l.atMs + l.says">
              <RouterLink class="figures code" :to="{ name: 'batch', params: { code: l.code } }">{{
                l.code
              }}</RouterLink><span class="grow"
                >{{ l.says }}<span class="quiet small block">{{ l.product }}</span></span
              ><TimeWord :at-ms="l.atMs" :say="soonWords" />
            </li>
          </ul>
        </section>
      </InTurn>
      <InTurn>
        <section aria-labelledby="faults" class="stack">
          <h2 id="faults">Faults lately</h2>
          <ProblemNote v-if="faultsProblem" :says="faultsProblem" again @again="loadFaults" />
          <p v-else-if="faults && faults.length === 0" class="card quiet">No fault has been recorded.</p>
          <ul v-else class="card lines">
            <li v-for="f in faults ?? []" :key="f.code">
              <RouterLink class="figures code" :to="{ name: 'batch', params: { code: f.code } }">{{
                f.code
              }}</RouterLink>
              <span class="grow"
                >{{ f.symptoms.map(symptomWords).join('; ')
                }}<span class="quiet small block">{{ f.productName }}, {{ startWords(f) }}</span></span
              >
              <RouterLink class="do" :to="{ name: 'diagnosis', params: { code: f.code } }">Diagnosis</RouterLink>
            </li>
          </ul>
        </section>
      </InTurn>
    </div>
  </div>
</template>

<style scoped>
.plain {
  text-decoration: none;
}
.benches {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(15.625rem, 100%), 1fr));
  gap: var(--space-4);
}
.benches li {
  /* A card that is still to come keeps its place. */
  min-height: 9rem;
}
.code {
  white-space: nowrap;
  font-weight: 700;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-5);
  align-items: start;
}
.lines {
  padding: 0 var(--space-4);
}
.lines li {
  display: flex;
  align-items: center;
  gap: var(--space-4);
  min-height: 56px;
  padding: 6px 0;
}
.lines li + li {
  border-top: 1px solid var(--card-edge);
}
.grow {
  flex: 1;
  min-width: 0;
  line-height: 1.25;
}
.block {
  display: block;
}
.do {
  display: inline-flex;
  align-items: center;
  justify-content: center;
  min-height: var(--target);
  min-width: 72px;
  border: 2px solid var(--action);
  border-radius: var(--radius);
  text-decoration: none;
  font-weight: 700;
}
@media (max-width: 56.25em) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
