<script setup lang="ts">
import { BENCH_PACE, type BenchAct } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed } from 'vue';
import ProblemNote from '../../components/ProblemNote.vue';
import SimulatedMark from '../../components/SimulatedMark.vue';
import { useUnits } from '../../stores/units';
import BenchOutcome from './BenchOutcome.vue';
import { useBenchDrill } from './useBenchDrill';

/** A whole run on simulated instruments and a fast clock. */
const props = defineProps<{ id: string }>();
const { view, problem, busy, load, act, may, metS, scaleG, stirredMin } = useBenchDrill(props.id);
const units = useUnits();
const clock = (seconds: number) => `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;
/** Pot life by the card, run seconds: its label is what a technician has; the model knows better, and tells in the end. */
const potLifeS = computed(() => (view.value?.cardPotLifeMin ?? 0) * 60);
const leftS = computed(() => Math.max(0, potLifeS.value - (metS.value ?? 0)));
const left = computed(() => (potLifeS.value > 0 ? leftS.value / potLifeS.value : 0));
const total = computed(() => (view.value ? view.value.targetG.A + view.value.targetG.B : 0));

interface Step {
  readonly label: string;
  readonly act: BenchAct;
  readonly says?: string;
}
interface Group {
  readonly title: string;
  /** What can hurt at this step. */
  readonly caution?: string;
  readonly steps: readonly Step[];
}
const groups = computed<Group[]>(() => [
  {
    title: 'Before',
    steps: [
      { label: 'Read the bottles', act: { do: 'read-lots' } },
      { label: 'Warm them in a bath', act: { do: 'warm' }, says: '20 min' },
    ],
  },
  {
    title: 'Weigh',
    caution: 'Goggles, gloves, ventilation, and the respirator that the data sheet names.',
    steps: [
      { label: 'Pour A', act: { do: 'pour', part: 'A', thin: false } },
      { label: 'A, thin stream', act: { do: 'pour', part: 'A', thin: true } },
      { label: 'Pour B', act: { do: 'pour', part: 'B', thin: false } },
      { label: 'B, thin stream', act: { do: 'pour', part: 'B', thin: true } },
    ],
  },
  {
    title: 'Mix',
    steps: [
      { label: 'Stir gently', act: { do: 'stir', how: 'gentle' } },
      { label: 'Stir briskly', act: { do: 'stir', how: 'brisk' } },
      { label: 'Scrape wall and bottom', act: { do: 'scrape' } },
    ],
  },
  {
    title: 'Pour',
    steps: [
      { label: 'Into the mould, thin', act: { do: 'cast', fast: false } },
      { label: 'Into the mould, fast', act: { do: 'cast', fast: true } },
    ],
  },
  {
    title: 'Press',
    caution: 'Never above its rating; opened only at nought on the gauge.',
    steps: [
      ...(view.value?.pressures ?? []).map((toKPa): Step => ({
        label: `Shut, to ${units.say(toKPa, 'kPa')}`,
        act: { do: 'shut', toKPa },
      })),
      { label: 'Top it up', act: { do: 'top-up' } },
      { label: 'Let it go', act: { do: 'release' } },
    ],
  },
  {
    title: 'Wait',
    steps: [
      { label: '10 min on', act: { do: 'skip', minutes: 10 } },
      { label: '1 h on', act: { do: 'skip', minutes: 60 } },
      { label: 'Demould', act: { do: 'demould' } },
    ],
  },
]);
const DOING = {
  nothing: 'Hands are free',
  'pouring-a': 'Pouring A',
  'pouring-b': 'Pouring B',
  stirring: 'Stirring',
  casting: 'Running into the mould',
} as const;
const keyOf = (a: BenchAct) => Object.values(a).join('-');
</script>

<template>
  <template v-if="problem && !view">
    <h1>Drill</h1>
    <ProblemNote :says="problem" again @again="load" />
    <p><RouterLink :to="{ name: 'drill', params: {} }">All drills</RouterLink></p>
  </template>
  <article v-if="view" class="stack" :data-bench-drill="view.id" :data-done="view.result !== null">
    <div class="row spread">
      <div>
        <h1>At the bench: {{ view.product.name }}</h1>
        <p class="quiet small">
          <SimulatedMark stand-in /> {{ BENCH_PACE }} times as fast as a real cup. Nothing here touches the log.
        </p>
      </div>
      <p v-if="!view.result" class="clock">
        <strong class="figures" data-test="met">{{ metS === null ? '–' : clock(metS) }}</strong>
        <span class="small quiet">since the parts met</span>
      </p>
    </div>
    <ProblemNote v-if="problem" :says="problem" />
    <BenchOutcome v-if="view.result" :view="view" :result="view.result" />
    <template v-else>
      <p v-if="view.interrupted" class="card door" role="alert">{{ view.interrupted }}</p>
      <div class="instruments">
        <section class="card" aria-label="Scale">
          <p class="small quiet">On the scale</p>
          <p class="figures big" data-test="scale">{{ units.say(Math.round(scaleG * 10) / 10, 'g') }}</p>
          <p class="small">
            A {{ units.say(view.targetG.A, 'g') }}, then B to <strong>{{ units.say(total, 'g') }}</strong>
          </p>
        </section>
        <section class="card" aria-label="Pot life by the card">
          <p class="small quiet">Pot life by the card</p>
          <p class="figures big">
            {{ potLifeS > 0 ? clock(leftS) : 'not stated' }}
          </p>
          <svg viewBox="0 0 100 8" preserveAspectRatio="none" aria-hidden="true">
            <rect width="100" height="8" class="ground" />
            <rect :width="100 * left" height="8" :class="left < 0.25 ? 'short' : 'level'" />
          </svg>
        </section>
        <section class="card" aria-label="Stirred">
          <p class="small quiet">Stirred since the last pour</p>
          <p class="figures big">{{ clock(stirredMin * 60) }}</p>
          <p class="small">{{ view.scraped ? 'wall and bottom scraped' : 'wall and bottom not scraped' }}</p>
        </section>
        <section class="card" aria-label="Gauge of the pot">
          <p class="small quiet">Gauge</p>
          <p class="figures big" data-test="gauge">{{ units.say(view.gaugeKPa, 'kPa') }}</p>
          <p class="small">{{ view.shut && !view.released ? 'shut' : 'open' }}</p>
        </section>
        <section class="card" aria-label="Room and resin">
          <p class="small quiet">Room</p>
          <p class="figures">{{ units.say(view.roomC, '°C') }}, {{ view.humidityPct }} %</p>
          <p class="small quiet">Resin in the bottles</p>
          <p class="figures">{{ view.resinC === null ? 'not read' : units.say(view.resinC, '°C') }}</p>
        </section>
      </div>
      <div class="row spread now">
        <p>
          <strong data-test="doing">{{ DOING[view.doing] }}</strong>
        </p>
        <Button
          label="Stop"
          severity="danger"
          class="stop"
          data-act="stop"
          :disabled="busy || !may.has('stop')"
          @click="act({ do: 'stop' })"
        />
      </div>
      <div class="groups">
        <section v-for="g in groups" :key="g.title" class="card group" :aria-label="g.title">
          <h2>{{ g.title }}</h2>
          <p v-if="g.caution" class="caution small">{{ g.caution }}</p>
          <Button
            v-for="s in g.steps"
            :key="keyOf(s.act)"
            severity="secondary"
            :data-act="keyOf(s.act)"
            :disabled="busy || !may.has(s.act.do)"
            @click="act(s.act)"
            >{{ s.label }}<span v-if="s.says" class="small quiet">{{ s.says }}</span></Button
          >
        </section>
      </div>
      <section class="card" aria-labelledby="bench-task">
        <h2 id="bench-task">What is to be made</h2>
        <ul class="task">
          <li v-for="t in view.task" :key="t">{{ t }}</li>
        </ul>
      </section>
    </template>
  </article>
</template>

<style scoped>
.clock {
  display: flex;
  flex-direction: column;
  text-align: right;
}
.clock .figures {
  font-size: 2.8rem;
  line-height: 1;
}
.door {
  border: 3px solid var(--outside);
  font-size: 1.3rem;
  font-weight: 700;
}
.instruments {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(10.5rem, 1fr));
  gap: var(--space-3);
}
.instruments .card {
  padding: var(--space-3);
}
.big {
  font-size: 1.9rem;
  font-weight: 700;
  line-height: 1.2;
  white-space: nowrap;
}
svg {
  width: 100%;
  height: 10px;
  display: block;
}
.ground {
  fill: var(--track);
}
.level {
  fill: var(--part-a);
}
.short {
  fill: var(--outside);
}
.stop {
  min-width: 12rem;
  min-height: 64px;
  font-size: 1.2rem;
}
.groups {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(10rem, 1fr));
  gap: var(--space-3);
  align-items: start;
}
.group {
  display: grid;
  gap: var(--space-2);
  padding: var(--space-3);
}
.caution {
  background: var(--caution-ground);
  border-left: 4px solid var(--caution-edge);
  padding: 4px 8px;
  line-height: 1.25;
}
.task {
  display: grid;
  gap: 4px;
  list-style: disc;
  padding-left: 1.2rem;
}
</style>
