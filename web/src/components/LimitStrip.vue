<script setup lang="ts">
import { fieldLabel, type LimitReading } from '@warm-jar/core';
import { computed } from 'vue';
import { useUnits } from '../stores/units';
import { stripScale } from './stripScale';

/** One measured value as a mark on an etched strip with its limits; told by place and words, never by colour alone. */
const props = defineProps<{
  reading: LimitReading;
  label?: string;
  bare?: boolean;
  /** At the bench, in a form, in a drill: where a stray tap must not lead away. */
  stays?: boolean;
}>();
const units = useUnits();
const scale = computed(() => stripScale(props.reading));
const pct = (share: number) => `${(share * 100).toFixed(2)}%`;
const outside = computed(() => props.reading.state === 'below' || props.reading.state === 'above');

const STATE_WORDS = {
  inside: 'inside',
  near: 'near the edge',
  below: 'below',
  above: 'above',
  'not-recorded': 'not recorded',
  'not-stated': 'card does not say',
} as const;
const words = computed(() => STATE_WORDS[props.reading.state]);
const value = computed(() => {
  const { measured, unit } = props.reading;
  if (measured === null) return '';
  // A use-by date is told by the days on either side of it, not by a minus sign.
  if (unit === 'days' && typeof measured === 'number')
    return measured > 0 ? `${measured} days past` : `${-measured} days left`;
  return typeof measured === 'number' ? units.say(measured, unit) : measured;
});
const band = computed(() => {
  const { low, high, unit } = props.reading;
  if (unit === 'days') return "the bottle's label";
  const say = (v: number | string) => (typeof v === 'number' ? units.say(v, unit) : v);
  if (low !== null && high !== null) return `${say(low)} to ${say(high)}`;
  if (low !== null) return `from ${say(low)}`;
  return high === null ? '' : `to ${say(high)}`;
});
</script>

<template>
  <div
    class="strip"
    :class="[reading.state, { outside, bare }]"
    :data-field="reading.field"
    :data-state="reading.state"
  >
    <div v-if="!bare" class="name">
      <span v-if="stays">{{ label ?? fieldLabel(reading.field) }}</span>
      <RouterLink v-else class="means" :to="{ name: 'help', params: { term: reading.field } }">{{
        label ?? fieldLabel(reading.field)
      }}</RouterLink>
      <span v-if="band" class="quiet small">{{ band }}</span>
    </div>
    <svg class="track" role="img" :aria-label="reading.says" focusable="false">
      <rect x="0" y="10" width="100%" height="10" class="ground" />
      <rect
        v-if="scale.bandFrom !== null && scale.bandTo !== null"
        :x="pct(scale.bandFrom)"
        y="10"
        :width="pct(scale.bandTo - scale.bandFrom)"
        height="10"
        class="band"
      />
      <line v-for="t in scale.ticks" :key="t" :x1="pct(t)" :x2="pct(t)" y1="20" y2="24" class="tick" />
      <line v-if="scale.bandFrom" :x1="pct(scale.bandFrom)" :x2="pct(scale.bandFrom)" y1="7" y2="24" class="edge" />
      <line
        v-if="scale.bandTo !== null && scale.bandTo < 1"
        :x1="pct(scale.bandTo)"
        :x2="pct(scale.bandTo)"
        y1="7"
        y2="24"
        class="edge"
      />
      <svg v-if="scale.mark !== null" :x="pct(scale.mark)" y="0" overflow="visible">
        <path d="M -6 1 L 6 1 L 6 7 L 0 15 L -6 7 Z" class="mark" />
        <line x1="0" x2="0" y1="15" y2="22" class="mark-line" />
      </svg>
    </svg>
    <div class="told">
      <strong v-if="value" class="figures value">{{ value }}</strong>
      <span class="small state">{{ words }}</span>
      <span v-if="reading.passedBecause" class="small passed" data-test="passed"
        >passed on purpose: {{ reading.passedBecause }}</span
      >
      <span v-if="reading.doubt" class="small passed" data-test="doubt">{{ reading.doubt }}</span>
    </div>
  </div>
</template>

<style scoped>
.strip {
  display: grid;
  grid-template-columns: minmax(7rem, 12rem) minmax(6rem, 1fr) minmax(7.5rem, 9.5rem);
  gap: var(--space-3);
  align-items: center;
  min-height: 40px;
}
.strip.bare {
  grid-template-columns: minmax(6rem, 1fr) minmax(7rem, 9rem);
}
.name {
  display: flex;
  flex-direction: column;
  line-height: 1.2;
}
.means {
  color: inherit;
  text-decoration-color: var(--card-edge);
  text-underline-offset: 3px;
}
.means:hover {
  text-decoration-color: currentcolor;
}
.track {
  width: 100%;
  height: 26px;
  overflow: visible;
}
.ground {
  fill: var(--track);
  stroke: var(--card-edge);
  stroke-width: 1;
}
.band {
  fill: var(--band);
}
.tick {
  stroke: var(--chalk-400);
  stroke-width: 1;
}
.edge {
  stroke: var(--band-edge);
  stroke-width: 2;
}
.mark {
  fill: var(--mark);
}
.mark-line {
  stroke: var(--mark);
  stroke-width: 2;
}
.told {
  display: flex;
  flex-direction: column;
  line-height: 1.2;
}
.outside .mark {
  fill: var(--outside);
}
.outside .mark-line {
  stroke: var(--outside);
}
.outside .told {
  color: var(--outside);
  font-weight: 700;
}
.near .state {
  color: var(--near);
  font-weight: 650;
}
.not-recorded .ground {
  fill: none;
  stroke: var(--chalk-400);
  stroke-dasharray: 4 4;
}
.not-recorded .band {
  opacity: 0.35;
}
.not-recorded .state,
.not-stated .state {
  font-style: italic;
  color: var(--text-quiet);
}
.not-stated .ground {
  fill: none;
  stroke-dasharray: 1 3;
  stroke: var(--chalk-400);
}
.not-stated .mark {
  fill: var(--card);
  stroke: var(--mark);
  stroke-width: 1.5;
}
@media (max-width: 38.75em) {
  .strip {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
  .track {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
