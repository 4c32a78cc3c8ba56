<script setup lang="ts">
import {
  askLabel,
  placeOfField,
  sayMinutes,
  unitOf,
  valueAt,
  type Ask,
  type Batch,
  type Product,
} from '@warm-jar/core';
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import FieldEntry from '../../components/form/FieldEntry.vue';
import { useUnits } from '../../stores/units';
import { answerField } from './answerFields';

/** What would tell most: a field nobody recorded, or a quick test at the bench. Answered here, it counts at once. */
const props = defineProps<{
  ask: readonly Ask[];
  batch: Batch;
  product: Product;
  code: string;
  problem: string | null;
  casting?: string | null;
}>();
const emit = defineEmits<{
  tested: [test: string, outcome: string];
  readAgain: [field: string, meant: number | null];
}>();
const units = useUnits();
const said = (field: string, v: number) => units.say(v, unitOf(field, props.batch));
const standing = (field: string) => valueAt(props.batch, placeOfField(props.batch, props.casting ?? null, field));
/** More questions than this are not answered. */
const MOST = 4;
const open = ref<string | null>(null);
const questions = computed(() =>
  props.ask.slice(0, MOST).map((a) => ({
    ...a,
    label: a.test?.title ?? askLabel(a.field),
    answer: a.test ? null : answerField(a.field, props.product, props.batch),
  })),
);
/** Bits as a share of the most telling, for the bar beside each. */
const most = computed(() => Math.max(...props.ask.map((a) => a.bits), 0.01));
</script>

<template>
  <section class="ask card" aria-labelledby="ask">
    <h2 id="ask">Ask next</h2>
    <p v-if="ask.length === 0" class="quiet small">Nothing left unrecorded would change this much.</p>
    <p v-if="problem" class="bad small" role="alert">{{ problem }}</p>
    <ul>
      <li v-for="q in questions" :key="q.field" :data-ask="q.field">
        <button
          type="button"
          class="question"
          :aria-expanded="open === q.field"
          @click="open = open === q.field ? null : q.field"
        >
          <svg class="bits" viewBox="0 0 40 8" aria-hidden="true">
            <rect width="40" height="8" class="ground" />
            <rect :width="(40 * q.bits) / most" height="8" class="tells" />
          </svg>
          <span
            ><strong>{{ q.label }}</strong
            ><span v-if="q.effortMin >= 1" class="small effort">takes {{ sayMinutes(q.effortMin) }}</span
            ><span class="small quiet block">{{ q.why }}</span></span
          >
        </button>
        <div v-if="open === q.field" class="answer">
          <div v-if="q.meant !== undefined" class="row outcomes">
            <Button
              :label="`${said(q.field, q.meant)} was meant`"
              data-test="meant"
              @click="emit('readAgain', q.field, q.meant)"
            />
            <Button
              v-if="typeof standing(q.field) === 'number'"
              severity="secondary"
              :label="`${said(q.field, standing(q.field) as number)} is right`"
              data-test="stands"
              @click="emit('readAgain', q.field, null)"
            />
          </div>
          <template v-if="q.test">
            <p class="small">{{ q.test.how }}</p>
            <p v-if="q.test.caution" class="small caution">
              <i class="pi pi-exclamation-triangle" aria-hidden="true" /> {{ q.test.caution }}
            </p>
            <div class="row outcomes">
              <Button
                v-for="o in q.test.outcomes"
                :key="o.id"
                severity="secondary"
                :label="o.words"
                :data-outcome="o.id"
                @click="emit('tested', q.test.id, o.id)"
              />
            </div>
          </template>
          <template v-else-if="q.answer && 'field' in q.answer"
            ><FieldEntry :field="q.answer.field" :path="q.field" :label="q.label"
          /></template>
          <RouterLink
            v-else-if="q.answer"
            :to="{ name: q.answer.to, params: { code }, query: q.answer.to === 'edit-batch' ? { at: q.field } : {} }"
            >{{ q.answer.words }}</RouterLink
          >
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.ask {
  padding: var(--space-3) var(--space-4);
}
li + li {
  border-top: 1px solid var(--card-edge);
}
.question {
  display: grid;
  grid-template-columns: 2.75rem minmax(0, 1fr);
  gap: var(--space-3);
  align-items: start;
  width: 100%;
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  text-align: left;
  padding: 8px 0;
  min-height: var(--target);
  cursor: pointer;
  line-height: 1.3;
}
.bits {
  width: 44px;
  height: 8px;
  margin-top: 7px;
}
.ground {
  fill: var(--track);
}
.tells {
  fill: var(--ink-900);
}
.effort {
  padding-left: 0.6em;
}
.block {
  display: block;
}
.answer {
  padding: 0 0 var(--space-3) 56px;
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  max-width: 40rem;
}
.outcomes {
  flex-wrap: wrap;
}
.caution {
  color: var(--amber-700);
  font-weight: 600;
}
.bad {
  color: var(--outside);
}
</style>
