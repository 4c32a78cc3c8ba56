<script setup lang="ts">
import {
  BENCH_PACE,
  DRILL_LEVELS,
  FAMILIES,
  FAMILY_WORDS,
  LEVEL_WORDS,
  QUICK_TITLES,
  QUICK_TOPICS,
  type Family,
} from '@warm-jar/core';
import Button from 'primevue/button';
import Select from 'primevue/select';
import { computed, ref, watch } from 'vue';
import { drillApi } from '../../api/drills';
import ProblemNote from '../../components/ProblemNote.vue';
import { useLoaded } from '../../components/useLoaded';
import { useSession } from '../../stores/session';
import DrillPeople from './DrillPeople.vue';
import ProgressCards from './ProgressCards.vue';
import { useBeginDrill } from './useBeginDrill';

/** Which drill, and how one is doing. */
const session = useSession();
const { value: progress, problem, load } = useLoaded(drillApi.progress, 'How you are doing could not be read.');
watch(() => session.person, load);
const begin = useBeginDrill();
const family = ref<Family | null>(null);
const choices = FAMILIES.map((value) => ({ value, label: FAMILY_WORDS[value].title }));
const due = computed(() => progress.value?.due ?? 0);
const took = computed(
  () =>
    progress.value &&
    (progress.value.times + progress.value.bench.times > 0 || progress.value.quick.some((q) => q.times > 0)),
);
</script>

<template>
  <h1>Drill</h1>
  <p>
    Casts that nobody had to spoil. A drill is made up and leaves nothing in the log.
    <template v-if="!session.person"
      >Say who you are under <RouterLink :to="{ name: 'people' }">People</RouterLink>, so that what you confuse comes
      back to you.</template
    >
  </p>
  <ProblemNote v-if="begin.problem.value" :says="begin.problem.value" />
  <section v-if="due > 0" class="card row spread due" data-test="due">
    <p>
      <strong>{{ due }} {{ due === 1 ? 'confusion has' : 'confusions have' }} come back.</strong> You took two causes
      for each other; here they are again.
    </p>
    <Button label="Take it" :disabled="begin.busy.value" data-test="take-due" @click="begin.diagnosis(1, null, true)" />
  </section>
  <div class="columns">
    <section class="card stack" aria-labelledby="d-diagnosis">
      <h2 id="d-diagnosis">What went wrong?</h2>
      <p class="small quiet">
        A cast and its record. Ask what you need, say how sure you are of each cause, and choose the mend.
      </p>
      <div class="labelled">
        <label class="small" for="drill-family">Of one family only</label>
        <Select
          v-model="family"
          input-id="drill-family"
          :options="choices"
          option-label="label"
          option-value="value"
          placeholder="any family"
          show-clear
        />
      </div>
      <ul class="levels">
        <li v-for="l in DRILL_LEVELS" :key="l">
          <button type="button" :disabled="begin.busy.value" :data-level="l" @click="begin.diagnosis(l, family)">
            <strong>{{ LEVEL_WORDS[l].title }}</strong>
            <span class="small quiet">{{ LEVEL_WORDS[l].says }}</span>
          </button>
        </li>
      </ul>
    </section>
    <section class="card stack" aria-labelledby="d-bench">
      <h2 id="d-bench">At the bench</h2>
      <p class="small quiet">
        A whole run of House Clear 6 on simulated instruments, {{ BENCH_PACE }} times as fast. Something may go wrong.
        The cast is what you made of it.
      </p>
      <Button label="Begin a run" data-test="begin-bench" :disabled="begin.busy.value" @click="begin.bench" />
    </section>
    <section class="card stack" aria-labelledby="d-quick">
      <h2 id="d-quick">Sums in a minute</h2>
      <p class="small quiet">What a cup with four minutes of pot life asks of you.</p>
      <ul class="levels">
        <li v-for="t in QUICK_TOPICS" :key="t">
          <button type="button" :disabled="begin.busy.value" :data-topic="t" @click="begin.quick(t)">
            <strong>{{ QUICK_TITLES[t] }}</strong>
          </button>
        </li>
      </ul>
    </section>
  </div>
  <ProblemNote v-if="problem" :says="problem" again @again="load" />
  <ProgressCards v-if="progress && took" :progress="progress" />
  <DrillPeople v-if="session.isLead" />
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(20rem, 100%), 1fr));
  gap: var(--space-4);
  align-items: start;
}
.due {
  border: 2px solid var(--action);
}
.levels {
  display: grid;
  gap: var(--space-2);
}
.levels button {
  display: flex;
  flex-direction: column;
  justify-content: center;
  width: 100%;
  min-height: var(--target);
  padding: var(--space-2) var(--space-3);
  font: inherit;
  line-height: 1.3;
  text-align: left;
  color: inherit;
  background: var(--card);
  border: 1px solid var(--field-edge);
  border-radius: var(--radius);
  cursor: pointer;
}
.levels button:hover {
  border-color: var(--action);
}
</style>
