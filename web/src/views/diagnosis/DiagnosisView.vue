<script setup lang="ts">
import { sayMinutes, summarySentence, type SymptomDiagnosis } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed, ref, toRef, useTemplateRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { onPlainKey } from '../../keys/keys';
import { InTurn } from '../../components/InTurn';
import KeyCap from '../../components/KeyCap.vue';
import PatternPicture from '../../components/PatternPicture.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { SEVERITY_WORDS, symptomWords } from '../../components/words';
import { useStoredBatch } from '../../stores/storedBatch';
import AskNext from './AskNext.vue';
import EvidenceBoard from './EvidenceBoard.vue';
import { download } from '../../components/download';
import MendCard from './MendCard.vue';
import NextBatchCard from './NextBatchCard.vue';
import InPieceCard from '../../components/InPieceCard.vue';
import OutcomeCard from '../../components/OutcomeCard.vue';
import { useAnswers } from './useAnswers';
import { useBeginMend } from './useBeginMend';
import { useCopyIntoPlan } from '../../stores/copyIntoPlan';
import { useDiagnosis } from './useDiagnosis';
import PrintButton from '../../components/PrintButton.vue';

/** Why: what was seen, what the record says, the causes with their evidence, what to ask, how to mend. */
const props = defineProps<{ code: string }>();
const code = toRef(props, 'code');
const stored = useStoredBatch(code);
const { batch, product } = stored;
const { diagnosis, problem, load } = useDiagnosis(code);
const router = useRouter();
const picked = ref(0);
/** The latest look is what the piece is like now, so it comes first. */
const symptoms = computed<SymptomDiagnosis[]>(() => [...(diagnosis.value?.symptoms ?? [])].reverse());
const symptom = computed(() => symptoms.value[picked.value] ?? symptoms.value[0] ?? null);
const casting = computed(() => symptom.value?.casting ?? null);
/** The limits of the casting that was looked at, else what all castings have in common. */
const limits = computed(
  () => diagnosis.value?.castings?.find((k) => k.id === casting.value)?.limits ?? diagnosis.value?.limits ?? [],
);
watch(code, () => {
  picked.value = 0;
});
const asked = useRoute().query['casting'];
watch(symptoms, (all) => {
  const at = all.findIndex((s) => s.casting === asked);
  if (typeof asked === 'string' && at >= 0 && picked.value === 0) picked.value = at;
});
const words = (s: SymptomDiagnosis) => `${s.casting === undefined ? '' : `${s.casting}: `}${symptomWords(s)}`;
const severity = computed(() => {
  const seen = symptom.value;
  const found = batch.value?.checks
    ?.filter((c) => c.afterH === seen?.afterH && (c.casting ?? undefined) === seen?.casting)
    .flatMap((c) => c.symptoms ?? [])
    .find((s) => s.kind === seen?.kind && s.pattern === seen.pattern);
  return found?.severity == null ? null : SEVERITY_WORDS[found.severity - 1];
});
const go = (name: string) => void router.push({ name, params: { code: props.code } });
const { begin, alike, inHand, problem: mendProblem } = useBeginMend(batch, symptom);
const { copy, problem: copyProblem } = useCopyIntoPlan(batch, product);
const reload = async () => {
  await Promise.all([stored.load(), load()]);
};
const { tested, readAgain, problem: answerProblem } = useAnswers(code, batch, casting, reload);
const nextCard = useTemplateRef('nextCard');
const save = () => {
  if (diagnosis.value)
    download(`${props.code}-diagnosis.json`, 'application/json', JSON.stringify(diagnosis.value, null, 2));
};
onPlainKey('r', () => void begin());
onPlainKey('x', () => nextCard.value?.copy());
onPlainKey('c', () => {
  go('check');
});
onPlainKey('e', () => {
  go('edit-batch');
});
</script>

<template>
  <div class="stack">
    <ProblemNote
      v-if="problem || stored.problem.value"
      :says="problem ?? stored.problem.value ?? ''"
      again
      @again="load"
    />
    <template v-if="diagnosis && batch && product">
      <div class="row spread top">
        <div class="title">
          <h1 data-test="summary">{{ symptom ? summarySentence(symptom) : 'Nothing wrong was seen on it.' }}</h1>
          <p class="quiet">
            <RouterLink class="figures" :to="{ name: 'batch', params: { code } }">{{ code }}</RouterLink>
            {{ product.name }} revision {{ product.revision }}<template v-if="batch.note">, {{ batch.note }}</template
            >. Limits from the {{ product.source ?? 'card' }}.
          </p>
        </div>
        <div class="row screen">
          <PrintButton /><Button
            icon="pi pi-download"
            severity="secondary"
            aria-label="Export as JSON"
            @click="save"
          /><Button severity="secondary" @click="go('check')">Check again <KeyCap k="c" /></Button
          ><Button severity="secondary" @click="go('edit-batch')">Complete the record <KeyCap k="e" /></Button>
        </div>
      </div>
      <InPieceCard :code="code" />
      <p v-if="!symptom" class="card">
        There is nothing to diagnose. When a fault shows,
        <RouterLink :to="{ name: 'check', params: { code } }">record a check</RouterLink>.
      </p>
      <template v-else>
        <div v-if="symptoms.length > 1" class="row tabs" role="tablist" aria-label="Symptoms">
          <button
            v-for="(s, i) in symptoms"
            :key="i"
            type="button"
            role="tab"
            :aria-selected="symptom === s"
            @click="picked = i"
          >
            {{ words(s) }} <span class="quiet small">after {{ sayMinutes(s.afterH * 60) }}</span>
          </button>
        </div>
        <div class="board">
          <section class="stack seen" aria-labelledby="seen">
            <h2 id="seen">Seen</h2>
            <PatternPicture :kind="symptom.kind" :pattern="symptom.pattern" />
            <p>
              <strong v-if="symptom.casting" class="figures block">{{ symptom.casting }}</strong><strong
                class="what block"
                >{{ symptomWords(symptom) }}</strong
              ><span class="quiet block"
                >after {{ sayMinutes(symptom.afterH * 60) }}<template v-if="severity">; {{ severity }}</template></span
              >
            </p>
          </section>
          <InTurn><EvidenceBoard :symptom="symptom" :limits="limits" :product="product.slug" /></InTurn>
        </div>
        <InTurn v-if="symptom.together">
          <p class="card together" data-test="together"><strong>Two at once.</strong> {{ symptom.together.says }}</p>
        </InTurn>
        <ProblemNote v-if="mendProblem" :says="mendProblem" />
        <div class="three">
          <InTurn>
            <AskNext
              :ask="symptom.ask"
              :batch="batch"
              :product="product"
              :code="code"
              :problem="answerProblem"
              :casting="casting"
              class="screen"
              @tested="tested"
              @read-again="readAgain"
            />
          </InTurn>
          <InTurn><MendCard :symptom="symptom" :under="inHand" :alike="alike" @begin="begin" /></InTurn>
          <InTurn>
            <NextBatchCard
              ref="nextCard"
              :symptom="symptom"
              :problem="copyProblem"
              @copy="copy($event, symptom?.kind ?? null)"
            />
          </InTurn>
        </div>
        <InTurn>
          <OutcomeCard
            :code="code"
            :batch="batch"
            :symptom="symptom.kind"
            :casting="casting"
            :causes="symptom.causes"
            @changed="reload"
          />
        </InTurn>
      </template>
    </template>
  </div>
</template>

<style scoped>
.top {
  align-items: flex-start;
}
@media (min-width: 61.25em) {
  .top,
  .top > :last-child {
    flex-wrap: nowrap;
  }
  .top > :last-child {
    flex-shrink: 0;
  }
}
.title {
  min-width: 0;
}
.three {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-4);
  align-items: start;
}
.together {
  border-left: 6px solid var(--outside);
}
@media (max-width: 68.75em) {
  .three {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .screen,
  .tabs {
    display: none;
  }
  .three {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
.board {
  display: grid;
  grid-template-columns: 11.875rem minmax(0, 1fr);
  gap: var(--space-5);
  align-items: start;
}
.what::first-letter {
  text-transform: uppercase;
}
.block {
  display: block;
}
.tabs button {
  font: inherit;
  min-height: var(--target);
  padding: 0 var(--space-4);
  background: var(--card);
  border: 1px solid var(--card-edge);
  border-radius: var(--radius);
  cursor: pointer;
  color: inherit;
}
.tabs button[aria-selected='true'] {
  border-color: var(--action);
  box-shadow: inset 0 -3px 0 var(--action);
  font-weight: 700;
}
@media (max-width: 61.25em) {
  .top {
    flex-wrap: wrap;
  }
  .board {
    grid-template-columns: minmax(0, 1fr);
  }
  .seen {
    display: grid;
    grid-template-columns: 10rem minmax(0, 1fr);
  }
  .seen h2 {
    grid-column: 1 / -1;
  }
}
</style>
