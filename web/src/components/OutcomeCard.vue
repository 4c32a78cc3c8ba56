<script setup lang="ts">
import {
  byText,
  CATALOGUE_WEIGHT,
  CAUSE_IDS,
  HOW_WORDS,
  causeTitle,
  outcomeSentence,
  sharePercent,
  type Batch,
  type CauseId,
  type CauseShare,
  type OutcomeHow,
  type SymptomKind,
} from '@warm-jar/core';
import Button from 'primevue/button';
import Select from 'primevue/select';
import { computed, ref, toRef, watch } from 'vue';
import { onPlainKey } from '../keys/keys';
import { useOutcomes } from '../stores/useOutcomes';
import CauseLink from './CauseLink.vue';
import KeyCap from './KeyCap.vue';
import { dayAndTime, inWords } from './words';

/** What a fault turned out to be: proposed by the next batch, or said by a person, and how that is known. */
const props = defineProps<{
  code: string;
  batch: Batch;
  symptom: SymptomKind;
  casting?: string | null;
  causes?: readonly CauseShare[];
}>();
const emit = defineEmits<{ changed: [] }>();
const { proposed, problem, confirm, accept, takeBack } = useOutcomes(
  toRef(props, 'code'),
  toRef(props, 'batch'),
  async () => {
    emit('changed');
  },
);
const known = computed(() => (props.batch.outcome ?? []).filter((o) => o.symptom === props.symptom));
const shares = computed(() => new Map((props.causes ?? []).map((c) => [c.id, c.share])));
/** The causes that were argued first, likeliest first; then all others. */
const choices = computed(() => {
  const argued = [...shares.value.keys()];
  const rest = CAUSE_IDS.filter((id) => !shares.value.has(id)).sort((a, b) => byText(causeTitle(a), causeTitle(b)));
  return [...argued, ...rest].map((id) => ({
    value: id,
    words: shares.value.has(id) ? `${causeTitle(id)}, ${sharePercent(shares.value.get(id)!)} %` : causeTitle(id),
  }));
});
const HOWS = Object.entries(HOW_WORDS).map(([value, words]) => ({ value: value as OutcomeHow, words }));
const cause = ref<CauseId | null>(null);
const how = ref<OutcomeHow | null>(null);
watch(
  () => [props.code, props.symptom, props.casting],
  () => {
    [cause.value, how.value] = [null, null];
  },
);
async function say(refuted: boolean) {
  if (cause.value === null || how.value === null) return;
  await confirm({
    symptom: props.symptom,
    cause: cause.value,
    how: how.value,
    ...(props.casting == null ? {} : { casting: props.casting }),
    ...(refuted ? { refuted: true } : {}),
  });
  if (problem.value === null) [cause.value, how.value] = [null, null];
}
const first = computed(() => proposed.value[0] ?? null);
onPlainKey('y', () => {
  if (first.value) void accept(first.value);
});
</script>

<template>
  <section class="card turned stack" aria-labelledby="turned-out" data-test="turned-out">
    <h2 id="turned-out">What {{ code }} turned out to be</h2>
    <p v-for="p in proposed" :key="p.by + p.outcome.cause" class="row proposal" data-test="proposal">
      <span
        >{{ p.says }} So the {{ inWords(p.outcome.symptom) }} fault of
        <RouterLink class="figures" :to="{ name: 'batch', params: { code: p.batch } }">{{ p.batch }}</RouterLink>
        {{ p.outcome.refuted ? 'did not come' : 'came' }} from this:
        <strong><CauseLink :id="p.outcome.cause" within /></strong>.</span
      ><Button data-test="accept" @click="accept(p)">Keep that <KeyCap v-if="p === first" k="y" /></Button>
    </p>
    <ul v-if="known.length" class="known">
      <li v-for="(o, i) in known" :key="i" class="row" data-test="outcome">
        <span class="first-up"
          >{{ outcomeSentence(o)
          }}<span v-if="o.by || o.at" class="quiet small">
            {{ [o.by, o.at ? dayAndTime(o.at) : ''].filter(Boolean).join(', ') }}</span
          ></span
        ><Button label="Undo" severity="secondary" text data-test="take-back" @click="takeBack(o)" />
      </li>
    </ul>
    <p v-else-if="proposed.length === 0" class="quiet small">
      Nobody has said yet. Once it is known, say so: the next diagnosis begins from how often each cause was the one
      here.
    </p>
    <div class="row say screen">
      <label
        ><span class="small">Cause</span
        ><Select
          v-model="cause"
          :options="choices"
          option-label="words"
          option-value="value"
          filter
          placeholder="which one"
          aria-label="Cause it turned out to be"
      /></label>
      <label
        ><span class="small">How it is known</span
        ><Select
          v-model="how"
          :options="HOWS"
          option-label="words"
          option-value="value"
          placeholder="how"
          aria-label="How it is known"
      /></label>
      <Button label="It was this" :disabled="!cause || !how" data-test="confirm" @click="say(false)" />
      <Button
        label="It was not this"
        severity="secondary"
        :disabled="!cause || !how"
        data-test="refute"
        @click="say(true)"
      />
    </div>
    <p v-if="how === 'judged'" class="small quiet">
      Shown, but it moves no rates: a cause agreed with because it leads would confirm itself.
    </p>
    <p v-else class="small quiet screen">
      The catalogue's rate of a cause counts for {{ CATALOGUE_WEIGHT }} outcomes; the others are your own.
    </p>
    <p v-if="problem" class="bad small" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.turned {
  gap: var(--space-3);
}
.proposal {
  border-left: 6px solid var(--action);
  padding-left: var(--space-3);
  justify-content: space-between;
}
.known li {
  justify-content: space-between;
  border-top: 1px solid var(--card-edge);
}
.first-up::first-letter {
  text-transform: uppercase;
}
.first-up {
  display: inline-block;
}
.say {
  align-items: flex-end;
  flex-wrap: wrap;
}
.say label {
  display: flex;
  flex-direction: column;
  gap: 2px;
}
.bad {
  color: var(--outside);
}
</style>
