<script setup lang="ts">
import { QUICK_SECONDS, QUICK_TITLES, type QuickAnswer, type QuickView } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed, onMounted, ref, watch } from 'vue';
import { drillApi } from '../../api/drills';
import KeyCap from '../../components/KeyCap.vue';
import NumberEntry from '../../components/NumberEntry.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { onSaveKey } from '../../keys/keys';
import { useLive } from '../../stores/live';
import { useUnits } from '../../stores/units';
import { useBeginDrill } from './useBeginDrill';
import { useShown } from './useShown';

/** A sum of the bench, against a minute. */
const props = defineProps<{ id: string }>();
const units = useUnits();
const live = useLive();
const begin = useBeginDrill();
const { view, problem, busy, run } = useShown<QuickView>();
const figure = ref<number | null>(null);
const rawText = ref<string | undefined>(undefined);

const load = () => run(() => drillApi.getQuick(props.id, units.choice));
onMounted(load);
watch(() => units.choice, load);
const send = (answer: QuickAnswer) => run(() => drillApi.answerQuick(props.id, answer, units.choice));
function answer(): void {
  if (figure.value === null) problem.value = 'Type the figure first.';
  else void send({ figure: figure.value });
}
const another = () => void begin.quick(view.value?.topic ?? 'over-pour');
/** Seconds that are left of the minute, by the studio's clock; below nothing once it is over. */
const leftS = computed(() =>
  view.value ? QUICK_SECONDS - Math.floor((live.nowMs - Date.parse(view.value.askedAt)) / 1000) : QUICK_SECONDS,
);
const isDone = computed(() => view.value?.result != null);
const verdict = computed(() => {
  const result = view.value?.result;
  if (!result) return '';
  if (!result.right) return 'Not right';
  return result.inTime ? 'Right, and in time' : 'Right, but too late for a cup';
});
onSaveKey(() => {
  if (isDone.value) another();
  else if (view.value?.unit) answer();
});
</script>

<template>
  <template v-if="problem && !view">
    <h1>Drill</h1>
    <ProblemNote :says="problem" again @again="load" />
    <p><RouterLink :to="{ name: 'drill', params: {} }">All drills</RouterLink></p>
  </template>
  <article v-if="view" class="stack quick" :data-quick="view.topic" :data-done="isDone">
    <div class="row spread">
      <h1>{{ QUICK_TITLES[view.topic] }}</h1>
      <p v-if="!isDone" class="left figures" :class="{ over: leftS <= 0 }" data-test="left" role="timer">
        <strong>{{ leftS > 0 ? `${leftS} s` : 'over' }}</strong>
      </p>
    </div>
    <section class="card stack">
      <p v-for="s in view.says" :key="s" class="fact">{{ s }}</p>
      <h2>{{ view.asks }}</h2>
      <template v-if="!isDone">
        <form v-if="view.unit" class="row" @submit.prevent="answer">
          <NumberEntry
            id="quick-figure"
            class="entry"
            :value="figure"
            :raw-text="rawText"
            :unit="view.unit"
            label="Your answer"
            @change="
              (value, raw) => {
                figure = value;
                rawText = raw;
              }
            "
          />
          <Button type="submit" label="That is it" data-test="answer" :disabled="busy" />
          <span class="quiet small"><KeyCap k="Ctrl" /> <KeyCap k="Enter" /></span>
        </form>
        <div v-else class="choices">
          <Button
            v-for="c in view.choices"
            :key="c.id"
            severity="secondary"
            :label="c.label"
            :disabled="busy"
            :data-choice="c.id"
            @click="send({ choice: c.id })"
          />
        </div>
      </template>
      <ProblemNote v-if="problem" :says="problem" />
    </section>
    <section v-if="view.result" class="card stack" aria-labelledby="quick-verdict" data-test="outcome">
      <h2 id="quick-verdict" :class="{ wrong: !view.result.right }">{{ verdict }}</h2>
      <p class="figures">
        You said {{ view.result.said }}; it is {{ view.result.was }}. You took {{ Math.round(view.result.seconds) }} s.
      </p>
      <ul class="because">
        <li v-for="b in view.result.because" :key="b">{{ b }}</li>
      </ul>
      <p class="small quiet">At the bench the card and the label decide, not this example.</p>
      <div class="row">
        <Button label="Another" data-test="another" :disabled="begin.busy.value" @click="another" />
        <span class="quiet small"><KeyCap k="Ctrl" /> <KeyCap k="Enter" /></span>
        <RouterLink :to="{ name: 'drill', params: {} }">All drills, and how you are doing</RouterLink>
      </div>
    </section>
    <ProblemNote v-if="begin.problem.value" :says="begin.problem.value" />
  </article>
</template>

<style scoped>
.quick {
  max-width: 52rem;
}
.fact {
  font-size: 1.15rem;
}
.left strong {
  font-size: 2.4rem;
}
.over,
.wrong {
  color: var(--outside);
}
.entry {
  max-width: 14rem;
}
.choices {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(12rem, 1fr));
  gap: var(--space-3);
}
.because {
  display: grid;
  gap: var(--space-2);
  list-style: disc;
  padding-left: 1.2rem;
}
</style>
