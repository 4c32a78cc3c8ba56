<script setup lang="ts">
import { sayMinutes, type Plan } from '@warm-jar/core';
import { computed } from 'vue';
import Button from 'primevue/button';
import PlanCautions from './PlanCautions.vue';
import { useUnits } from '../../stores/units';
import { budgetBar } from './budgetBar';
import { usePlanContext } from './usePlan';
import { VERDICT_WORDS } from './planInWords';

/** The work against the pot life there is: what is spare, and what would give more. */
const props = defineProps<{ plan: Plan }>();
const { progress, store } = usePlanContext();
const units = useUnits();
const bar = computed(() => budgetBar(props.plan));
const pct = (share: number) => `${(share * 100).toFixed(2)}%`;
const WORDS = {
  stir: 'stir',
  rest: 'rest',
  vacuum: 'vacuum',
  pour: 'pour',
  load: 'load',
  pressurise: 'to pressure',
} as const;
const steps = computed(() =>
  props.plan.timeline.map((s) => ({
    what:
      s.what === 'pressurise' && props.plan.pressureKPa !== null
        ? `to ${units.say(props.plan.pressureKPa, 'kPa')}`
        : WORDS[s.what],
    minutes: s.toMin - s.fromMin,
    at: s.fromMin,
    css: s.what,
  })),
);
/** Help is for want of time; plenty of it, and something else forbids. */
const short = computed(
  () =>
    props.plan.spareMin !== null &&
    props.plan.potLifeMin !== null &&
    props.plan.spareMin < 0.15 * props.plan.potLifeMin,
);
/** A guessed heat of reaction is said where the verdict is read. */
const guess = computed(() => props.plan.warnings.find((w) => w.code === 'heat-guessed')?.says ?? null);
const because = computed(() => {
  const { spareMin, potLifeMin, workingFrom } = props.plan;
  if (spareMin === null || potLifeMin === null)
    return 'Pot life is not known for this product: the time cannot be judged.';
  const whose = workingFrom === 'model' ? 'at this mass and these temperatures' : 'by the label';
  const first =
    props.plan.warnings.find((w) => w.stop) ??
    (props.plan.verdict === 'tight' && !short.value ? props.plan.warnings[0] : undefined);
  const more = `${first ? ` But: ${first.says}` : ''}${guess.value ? ` ${guess.value}` : ''}`;
  if (spareMin < 0) return `${sayMinutes(-spareMin)} too long: pot life is ${sayMinutes(potLifeMin)} ${whose}.`;
  return `${sayMinutes(spareMin)} to spare of ${sayMinutes(potLifeMin)} pot life ${whose}.${more}`;
});
</script>

<template>
  <section class="card time" aria-label="Time">
    <p class="verdict" :class="plan.verdict" data-test="verdict">
      <strong>{{ VERDICT_WORDS[plan.verdict] }}</strong><span class="because"
        >{{ because
        }}<em v-if="progress !== null && plan.verdict !== 'no-go'" class="small" data-test="mould-to-come">
          So far: the mould is being worked out.</em
        ></span
      >
    </p>
    <svg class="bar" role="img" :aria-label="because" focusable="false">
      <defs>
        <pattern id="spare" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="8" class="hatch" />
        </pattern>
      </defs>
      <rect x="0" y="14" width="100%" height="30" class="ground" />
      <rect
        v-if="bar.spare"
        :x="pct(bar.spare.from)"
        y="14"
        :width="pct(bar.spare.width)"
        height="30"
        fill="url(#spare)"
      />
      <rect
        v-for="s in bar.steps"
        :key="s.what"
        :x="pct(s.from)"
        y="14"
        :width="pct(s.width)"
        height="30"
        class="step"
        :class="s.what"
      />
      <svg v-for="(s, i) in bar.steps" :key="`n-${s.what}`" :x="pct(s.from + s.width / 2)" y="0" overflow="visible">
        <text v-if="s.width > 0.025" y="34" class="figures number" :class="s.what">{{ i + 1 }}</text>
      </svg>
      <template v-if="bar.potLife !== null">
        <line :x1="pct(bar.potLife)" :x2="pct(bar.potLife)" y1="4" y2="54" class="pot" />
      </template>
      <line v-if="bar.gel !== null" :x1="pct(bar.gel)" :x2="pct(bar.gel)" y1="8" y2="50" class="gel" />
    </svg>
    <ul class="legend small">
      <li v-for="(s, i) in steps" :key="s.css">
        <i class="swatch step figures" :class="s.css" aria-hidden="true">{{ i + 1 }}</i><span>{{ s.what }}</span
        ><strong class="figures">{{ sayMinutes(s.minutes) }}</strong>
      </li>
      <li v-if="plan.spareMin !== null && plan.spareMin > 0">
        <i class="swatch hatched" aria-hidden="true" /><span>spare</span
        ><strong class="figures">{{ sayMinutes(plan.spareMin) }}</strong>
      </li>
      <li v-if="plan.potLifeMin !== null">
        <i class="swatch potline" aria-hidden="true" /><span>pot life ends{{ bar.cut ? ' beyond' : '' }}</span
        ><strong class="figures" data-test="plan-pot-life">{{ sayMinutes(plan.potLifeMin) }}</strong>
      </li>
      <li v-if="plan.gelMin !== null">
        <i class="swatch gelline" aria-hidden="true" /><span>gels in the cup</span
        ><strong class="figures">{{ sayMinutes(plan.gelMin) }}</strong>
      </li>
    </ul>
    <div v-if="plan.help.length && short" class="help" data-test="help">
      <h3>What would help</h3>
      <ul>
        <li v-for="h in plan.help.slice(0, 4)" :key="h.what">
          <strong class="figures">+{{ sayMinutes(h.gainMin) }}</strong
          ><span>{{ h.says }}</span
          ><Button v-if="h.set" label="Plan with that" severity="secondary" size="small" @click="store.set(h.set)" />
        </li>
      </ul>
    </div>
    <PlanCautions :cautions="plan.cautions" :but="['weigh']" />
  </section>
</template>

<style scoped>
.time {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.verdict {
  display: flex;
  align-items: baseline;
  gap: var(--space-4);
  border-left: 10px solid var(--action);
  padding-left: var(--space-3);
}
.verdict strong {
  font-size: 2.1rem;
  line-height: 1;
  white-space: nowrap;
}
/* Two lines from the start, so that what is below stays where it is once the mould is worked out. */
.because {
  min-height: 2lh;
}
.verdict.tight {
  border-left-color: var(--part-a);
}
.verdict.no-go {
  border-left-color: var(--outside);
}
.verdict.no-go strong {
  color: var(--outside);
}
.bar {
  width: 100%;
  height: 58px;
  overflow: visible;
}
.ground {
  fill: var(--track);
  stroke: var(--card-edge);
}
.hatch {
  stroke: var(--band-edge);
  stroke-width: 1.2;
  opacity: 0.5;
}
.step {
  fill: var(--bottle-700);
  stroke: var(--card);
  stroke-width: 1.5;
}
.step.stir {
  fill: var(--bottle-900);
  background: var(--bottle-900);
}
.step.rest,
.step.vacuum {
  fill: var(--bottle-300);
  background: var(--bottle-300);
}
.step.pour {
  fill: var(--amber-400);
  background: var(--amber-400);
}
.step.load {
  fill: var(--bottle-150);
  background: var(--bottle-150);
}
.step.pressurise {
  fill: var(--bottle-700);
  background: var(--bottle-700);
}
.pot {
  stroke: var(--ink-900);
  stroke-width: 4;
}
.gel {
  stroke: var(--outside);
  stroke-width: 2;
  stroke-dasharray: 4 3;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px var(--space-4);
}
.legend li {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
}
.swatch {
  width: 20px;
  height: 20px;
  border-radius: 2px;
  display: inline-grid;
  place-items: center;
  font-style: normal;
  font-size: 0.8rem;
  font-weight: 700;
  color: var(--ink-900);
}
.swatch.stir,
.swatch.pressurise {
  color: #fff;
}
.number {
  text-anchor: middle;
  font-weight: 700;
  fill: var(--ink-900);
}
.number.stir,
.number.pressurise {
  fill: #fff;
}
.hatched {
  height: 20px;
  border: 1px dashed var(--band-edge);
}
.potline {
  width: 4px;
  height: 20px;
  background: var(--ink-900);
}
.gelline {
  width: 0;
  border-left: 2px dashed var(--outside);
  border-radius: 0;
}
.help ul {
  display: grid;
  gap: 4px;
  padding-top: 4px;
}
.help li {
  display: grid;
  grid-template-columns: 7.5rem minmax(0, 1fr);
  gap: var(--space-3);
}
</style>
