<script setup lang="ts">
import Button from 'primevue/button';
import { computed, onMounted } from 'vue';
import { useRouter } from 'vue-router';
import { useOpening } from '../../stores/opening';
import LookRoundCard from '../../components/LookRoundCard.vue';
import OpeningPeople from './OpeningPeople.vue';
import UnitChoices from '../../components/UnitChoices.vue';
import { OPENING_STEPS, openingSteps, stepAfter, type OpeningStep } from '../../stores/openingSteps';

/** A new studio is opened in a few steps, one a screen; each can be passed over and come back to. */
const props = defineProps<{ step?: string }>();
const opening = useOpening();
const router = useRouter();
onMounted(() => {
  opening.begin();
  void opening.load();
});
const here = computed<OpeningStep>(
  () => OPENING_STEPS.find((s) => s === props.step) ?? opening.next?.step ?? OPENING_STEPS[0],
);
const words = computed(() => openingSteps.find((s) => s.step === here.value)!);
const at = computed(() => OPENING_STEPS.indexOf(here.value));
const isDone = computed(() => words.value.isDone(opening.soFar));
async function onward(skips: boolean): Promise<void> {
  // What is done moves the place on by itself, where the address names none.
  const step = here.value;
  if (step === 'units') opening.seeUnits();
  else if (skips) opening.skip(step);
  const next = stepAfter(step);
  if (next !== null) await router.push({ name: 'opening', params: { step: next } });
  else {
    opening.end();
    await router.push({ name: 'today' });
  }
}
const leave = async () => {
  opening.end();
  await router.push({ name: 'today' });
};
</script>

<template>
  <div class="stack">
    <div class="row spread">
      <h1>Opening the studio</h1>
      <Button label="Leave it, I find my way" severity="secondary" text @click="leave" />
    </div>
    <ol class="way" aria-label="Steps">
      <li v-for="s in openingSteps" :key="s.step">
        <RouterLink
          :to="{ name: 'opening', params: { step: s.step } }"
          :class="{ here: s.step === here, done: s.isDone(opening.soFar) }"
          :aria-current="s.step === here ? 'step' : undefined"
          ><i :class="s.isDone(opening.soFar) ? 'pi pi-check-circle' : 'pi pi-circle'" aria-hidden="true" />
          <span
            >{{ s.title }}<span class="small block">{{ s.has(opening.soFar) }}</span></span
          ></RouterLink
        >
      </li>
    </ol>
    <section class="card stack step" :aria-labelledby="`step-${here}`">
      <div class="row spread">
        <div>
          <p class="quiet small">Step {{ at + 1 }} of {{ openingSteps.length }}</p>
          <h2 :id="`step-${here}`">{{ words.title }}</h2>
        </div>
        <div class="row">
          <Button
            :label="isDone || here === 'units' ? 'Next' : 'Skip this for now'"
            :severity="isDone || here === 'units' ? undefined : 'secondary'"
            data-test="onward"
            @click="onward(!isDone)"
          />
          <RouterLink v-if="at > 0" :to="{ name: 'opening', params: { step: OPENING_STEPS[at - 1] } }">Back</RouterLink>
        </div>
      </div>
      <p>{{ words.why }}</p>
      <UnitChoices v-if="here === 'units'" />
      <OpeningPeople v-else-if="here === 'people'" @changed="opening.load" />
      <ul v-else class="actions">
        <li v-for="(a, n) in words.actions" :key="a.words">
          <RouterLink :to="a.to" :class="['p-button p-component', n === 0 && !isDone ? '' : 'p-button-secondary']">{{
            a.words
          }}</RouterLink>
        </li>
      </ul>
    </section>
    <LookRoundCard />
  </div>
</template>

<style scoped>
.way {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(9.5rem, 1fr));
  gap: var(--space-2);
}
.way a {
  display: flex;
  gap: 8px;
  align-items: flex-start;
  height: 100%;
  min-height: var(--target);
  padding: var(--space-2) var(--space-3);
  border-bottom: 4px solid var(--card-edge);
  color: inherit;
  text-decoration: none;
  line-height: 1.2;
}
.way i {
  padding-top: 3px;
}
.way .done i {
  color: var(--inside);
}
.way .here {
  border-bottom-color: var(--part-a);
  font-weight: 700;
}
.block {
  display: block;
  color: var(--text-quiet);
  font-weight: 400;
}
.step h2 {
  font-size: 1.35rem;
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
}
</style>
