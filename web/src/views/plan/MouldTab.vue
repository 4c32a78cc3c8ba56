<script setup lang="ts">
import { mouldHeatLimit, sayMinutes } from '@warm-jar/core';
import Button from 'primevue/button';
import ProgressBar from 'primevue/progressbar';
import { computed } from 'vue';
import type { ChartSpec } from '../../components/chartOption';
import { dayAndTime } from '../../components/words';
import { whenNear } from '../../components/whenNear';
import { useLive } from '../../stores/live';
import { useUnits } from '../../stores/units';
import { timeScale } from './timeScale';
import { usePlanContext } from './usePlan';

const LineChart = whenNear(() => import('../../components/LineChart.vue'));

/** What the pour does in the mould: how hot, when it gels where, when it comes out, in how many pours. */
const { store, mould, mouldProblem, progress, stopMould, product, request, built } = usePlanContext();
const SlabHeat = whenNear(() => import('./SlabHeat.vue'), 240);
const units = useUnits();
/** The studio's moment, by the minute, ms. */
const live = useLive();
const nowMs = computed(() => Math.floor(live.nowMs / 60_000) * 60_000);
const answer = computed(() => (mould.value && 'slab' in mould.value ? mould.value : null));
const WHY = {
  'no-kinetics': 'This family does not cure by its own heat: the slab has nothing to say of it.',
  'no-pot-life': 'The card states neither pot life nor gel time, so the slab cannot be fitted.',
  'did-not-converge': 'No rate of cure fits this card. Check its pot life, mass and peak.',
  'set-before-pour': 'By this plan it has set in the cup before it is poured.',
} as const;
const heatLimit = computed(() => (product.value ? mouldHeatLimit(product.value) : null));
const LIMIT_NAMES = {
  card: "card's limit",
  'stated-peak': '40 K over the stated peak',
  practice: 'where a mix smokes',
} as const;
/** A peak with what a finer mesh could still move it by. */
const peakWords = (peakC: number, withinK: number | null) =>
  withinK !== null && withinK >= 0.5
    ? `${units.say(Math.round(peakC), '°C')} ± ${units.say(Math.ceil(withinK), 'K')}`
    : units.say(peakC, '°C');
const scale = computed(() => timeScale(answer.value?.slab.minutes.at(-1) ?? 0));
const lines = computed<ChartSpec | null>(() => {
  const a = answer.value;
  if (!a) return null;
  const { minutes, temperatureC, positionsMm } = a.slab;
  const at = (name: string, node: number) => ({
    name,
    points: minutes.map((m, i) => [m / scale.value.per, units.shown(temperatureC[i]![node]!, '°C')] as const),
  });
  const limits = [
    heatLimit.value === null
      ? null
      : { at: units.shown(heatLimit.value.atC, '°C'), name: LIMIT_NAMES[heatLimit.value.from] },
    request.value?.mould?.inclusionMaxC == null
      ? null
      : { at: units.shown(request.value.mould.inclusionMaxC, '°C'), name: 'inclusion bears' },
  ].filter((l) => l !== null);
  return {
    title: 'At the surface, in the middle, on the mould',
    x: `${scale.value.unit} after the pour`,
    y: units.label('°C'),
    marksY: limits,
    lines: [
      at('middle', Math.floor(positionsMm.length / 2)),
      at('surface', 0),
      at('on the mould', positionsMm.length - 1),
    ],
  };
});
const say = (m: number | null) => (m === null ? 'not within ten days' : sayMinutes(m));
const facts = computed(() => {
  const a = answer.value;
  if (!a) return [];
  const limit = heatLimit.value?.atC ?? null;
  return [
    {
      name: 'Peak',
      value: peakWords(a.slab.peakC, a.slab.peakWithinK),
      note: `${sayMinutes(a.pourMin + a.slab.peakMin)} in${limit === null ? '' : `; ${LIMIT_NAMES[heatLimit.value!.from]}: ${units.say(limit, '°C')}`}`,
      bad: limit !== null && a.slab.peakC > limit + 0.5,
    },
    { name: 'Middle gels', value: say(a.centreGelMin), note: 'since the parts met' },
    { name: 'Last gels', value: say(a.lastGelMin), note: 'the thin edge or the face' },
    { name: 'Cool again', value: say(a.coolMin), note: `within ${units.say(5, 'K')} of the room` },
    {
      name: 'Demould',
      value: a.demouldMin === null ? 'card does not say' : say(a.demouldMin),
      note:
        a.demouldMin === null
          ? ''
          : `hard and cool: ${dayAndTime(new Date(nowMs.value + a.demouldMin * 60_000).toISOString())} if mixed now`,
    },
    {
      name: 'Cup runs',
      value: headStart(a.headStartMin),
      note: 'of the last of the piece',
    },
  ];
});
const LOSS = {
  card: "Loss through the sides is set so that the card's own deepest pour just meets its own limit.",
  wider:
    "This pour is wider than the card's own deepest pour, so less of its heat leaves at its sides and it gets hotter at the same depth.",
  'not-needed': "No loss through the sides is reckoned: the card's deepest pour stays under its limit without.",
  'worst-case':
    'Worst case: the card lacks depth or exotherm limit, or the width is not known and there is much for the depth, so little or no loss through the sides is reckoned. Write the width of the pour if you know it.',
  'not-met':
    "The card's pot life, depth and limit cannot all be true; the sides are reckoned to lose as much as a bar's.",
} as const;
const when = (minutes: number) => dayAndTime(new Date(nowMs.value + minutes * 60_000).toISOString());
function headStart(minutes: number | null): string {
  if (minutes === null) return 'not known';
  return minutes >= 0 ? `${sayMinutes(minutes)} ahead` : `${sayMinutes(-minutes)} behind`;
}
</script>

<template>
  <section class="card stack" aria-label="In the mould">
    <p v-if="built?.fill.depthMm == null" class="quiet">Give the depth of the pour to see what it does in the mould.</p>
    <div v-else-if="progress !== null" class="row">
      <ProgressBar :value="Math.round(progress * 100)" class="bar" aria-label="Working out the slab" /><Button
        label="Stop"
        severity="secondary"
        @click="stopMould"
      />
    </div>
    <p v-if="mouldProblem" class="bad" role="alert">{{ mouldProblem }}</p>
    <p v-if="mould && !answer" class="quiet">{{ WHY[mould.status as keyof typeof WHY] }}</p>
    <template v-if="answer && lines">
      <dl class="facts" data-test="mould">
        <div v-for="f in facts" :key="f.name">
          <dt class="small quiet">{{ f.name }}</dt>
          <dd :class="{ bad: f.bad }">{{ f.value }}</dd>
          <dd class="small quiet note">{{ f.note }}</dd>
        </div>
      </dl>
      <div v-if="answer.schedule.pours.length > 1" class="pours" data-test="pours">
        <h3>
          In {{ answer.schedule.pours.length }} pours of {{ units.say(answer.pourDepthMm, 'mm')
          }}<span v-if="answer.atOncePeakC !== null" class="quiet"
            >: all at once it would reach {{ units.say(answer.atOncePeakC, '°C') }}</span
          >
        </h3>
        <ol>
          <li v-for="(p, i) in answer.schedule.pours" :key="i">
            <strong>{{ i + 1 }}</strong><span class="figures">{{ i === 0 ? 'now' : when(p.afterMin) }}</span
            ><span v-if="i > 0" class="small quiet"
              >{{ sayMinutes(p.afterMin) }} after the first<template v-if="p.untilMin !== null"
                >, bonds by itself until {{ when(p.untilMin) }}</template
              ></span
            >
          </li>
        </ol>
        <div class="row">
          <Button
            :label="`Plan one of the ${answer.schedule.pours.length} pours`"
            severity="secondary"
            @click="store.set({ pourOf: answer.schedule.pours.length * (store.form.pourOf ?? 1) })"
          />
        </div>
        <p v-if="answer.schedule.sand" class="bad small">
          It is not cool before the bond window closes: sand with 60–100 grit between pours, and wipe.
        </p>
      </div>
      <div class="charts">
        <SlabHeat
          :minutes="answer.slab.minutes"
          :positions-mm="answer.slab.positionsMm"
          :temperature-c="answer.slab.temperatureC"
          :label="`Heat map: peak ${units.say(answer.slab.peakC, '°C')} at ${units.say(answer.slab.peakAtMm, 'mm')} down`"
        /><LineChart :spec="lines" :height="240" />
      </div>
      <p class="small quiet">
        {{ LOSS[answer.slab.sideLoss.from]
        }}<template v-if="answer.slab.heatFrom === 'family'">
          The heat of cure is the family's upper guess: the card states no peak.</template
        >
        A model: the reading on the piece, the card and your finger come first.
      </p>
    </template>
  </section>
</template>

<style scoped>
.bar {
  flex: 1;
}
.bad {
  color: var(--outside);
  font-weight: 650;
}
.facts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(6.75rem, 100%), 1fr));
  gap: var(--space-3);
}
.facts dd:not(.note) {
  font-size: 1.08rem;
  font-weight: 750;
  line-height: 1.15;
  font-variant-numeric: tabular-nums;
}
.note {
  line-height: 1.2;
}
.charts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(20rem, 100%), 1fr));
  gap: var(--space-4);
}
.charts > * {
  min-width: 0;
}
.pours ol {
  display: grid;
  gap: 2px;
  padding-top: 4px;
}
.pours li {
  display: grid;
  grid-template-columns: 1.5rem 9rem minmax(0, 1fr);
  gap: var(--space-3);
  align-items: baseline;
}
/* Where there is room a day stays on one line with its time. */
@media (min-width: 62.5em) {
  .pours li {
    grid-template-columns: 1.5rem 12.5rem minmax(0, 1fr);
  }
}
</style>
