<script setup lang="ts">
import { computed } from 'vue';
import KeyCap from '../../components/KeyCap.vue';
import ReasonBox from '../../components/ReasonBox.vue';
import { barShare } from '../../run/benchNumber';
import { useBenchContext } from '../../run/useBench';
import { useUnits } from '../../stores/units';
import AskBox from './AskBox.vue';
import BigNumber from './BigNumber.vue';
import DoButton from './DoButton.vue';
import TypedFigure from './TypedFigure.vue';
import LotChoice from './LotChoice.vue';
import SaidChoice from './SaidChoice.vue';
import ScaleChoice from './ScaleChoice.vue';
import SimulatedMark from '../../components/SimulatedMark.vue';
import { YES_NO } from './yesNo';
import { useWeighing } from './useWeighing';

/** Weighs a part: target, what is on the scale, what is still to come. B follows what A really was. */
const props = defineProps<{ part: 'A' | 'B' }>();
const bench = useBenchContext();
const units = useUnits();
const { typed, ownTarget, target, shown, netG, amount, left, cue, stop, tare, confirm, takeAnyway } = useWeighing(
  () => props.part,
);
const CUES = { pour: 'Pour', slow: 'Slow now', drops: 'By drops', there: 'Enough', over: 'Over' } as const;
const share = computed(() =>
  amount.value === null || !target.value?.targetG ? 0 : barShare(amount.value, target.value.targetG),
);
const pct = (s: number) => `${(s * 100).toFixed(2)}%`;
const heading = computed(() => {
  if (left.value === null) return 'To weigh';
  return left.value < 0 ? 'Over by' : 'Still to come';
});
const figure = computed(() => {
  const grams = left.value ?? target.value?.targetG ?? null;
  return grams === null ? '–' : units.say(Math.abs(grams), 'g');
});
const tone = computed(() => (cue.value === 'over' || cue.value === 'there' ? cue.value : 'plain'));
const name = computed(() => target.value?.name ?? props.part);
const onScale = computed(() => {
  if (shown.value?.silent) return 'the scale does not answer';
  return netG.value === null ? '–' : units.say(netG.value, 'g');
});
const takes = computed(() => {
  if (amount.value === null)
    return bench.scale.isOurs.value ? 'Type it, or wait for the scale' : 'Take a scale, or type it';
  const inG = target.value?.inG ?? 0;
  return `${name.value} is ${units.say(Math.max(0, amount.value) + inG, 'g')}`;
});
/** What keeps a weight from being taken and is simply waited for. */
const waits = computed(() => {
  if (stop.value?.kind === 'nothing')
    return `Nothing is poured yet. The target is ${units.say(target.value?.targetG ?? 0, 'g')}.`;
  return stop.value?.kind === 'unsettled' ? 'The scale still moves: once more when it stands.' : null;
});
const far = computed(() =>
  stop.value?.kind === 'far'
    ? `${units.say(amount.value ?? 0, 'g')} of ${units.say(stop.value.targetG, 'g')}: is that all of ${name.value}?`
    : null,
);
const dose = computed(() => {
  if (stop.value?.kind !== 'dose') return null;
  const { pct: is, minPct, maxPct } = stop.value;
  const band = minPct !== null && maxPct !== null ? `${minPct} to ${maxPct} %` : `${minPct ?? maxPct} %`;
  return `${is.toFixed(2)} % catalyst; the card's limit is ${band}.`;
});
const drop = () => {
  stop.value = null;
};
</script>

<template>
  <div class="weigh" data-test="weigh-step">
    <div class="numbers">
      <BigNumber :label="heading" :value="figure" :tone="tone" />
      <p v-if="cue" class="cue" :class="cue" data-test="cue">{{ CUES[cue] }}</p>
    </div>
    <LotChoice v-if="part === 'A'" />
    <ScaleChoice />
    <svg
      class="bar"
      role="img"
      :aria-label="
        left === null ? 'nothing weighed' : `${units.say(Math.abs(left), 'g')} ${left < 0 ? 'over' : 'to come'}`
      "
      focusable="false"
    >
      <rect x="0" y="8" width="100%" height="34" class="ground" />
      <rect
        x="0"
        y="8"
        :width="pct(share)"
        height="34"
        :class="['fill', part === 'A' ? 'a' : 'b', { over: cue === 'over' }]"
      />
      <line x1="95%" x2="95%" y1="0" y2="50" class="target" />
      <line x1="55%" x2="55%" y1="8" y2="42" class="tenth" />
    </svg>
    <div class="row facts">
      <span
        >Target
        <strong class="figures" data-test="target">{{
          target?.targetG == null ? 'not said' : units.say(target.targetG, 'g')
        }}</strong><template v-if="target?.inG"> more, to {{ units.say(target.inG, 'g') }} that are in</template></span
      ><span v-if="bench.scale.isOurs.value"
        >On {{ shown?.device.name ?? 'the scale' }}
        <strong class="figures" data-test="net">{{ onScale }}</strong><SimulatedMark
          :stand-in="shown?.device.standIn === true"
        /><span v-if="shown && !shown.silent && !shown.settled" class="quiet small"> settling</span></span
      ><span class="quiet small">the last tenth takes two fifths of the bar</span>
    </div>
    <p v-if="shown?.says" class="stopped" role="alert">{{ shown.says }}</p>
    <TypedFigure
      v-if="target?.targetG == null"
      id="bench-own-target"
      v-model="ownTarget"
      unit="g"
      :words="`Target for ${part}`"
      :label="`Target for ${part}`"
    />
    <p v-if="waits" class="stopped" role="status" data-test="waits">{{ waits }}</p>
    <AskBox
      v-if="far"
      :what="far"
      :yes="`Yes, ${name} is ${units.say(amount ?? 0, 'g')}`"
      @yes="takeAnyway()"
      @no="drop"
    />
    <ReasonBox v-else-if="dose" :what="dose" @reason="takeAnyway" @cancel="drop" />
    <div v-else class="actions">
      <DoButton :words="takes" k="Enter" :disabled="amount === null || amount <= 0" @do="confirm" />
      <DoButton v-if="bench.scale.isOurs.value" words="Tare" k="z" quiet :disabled="shown?.value == null" @do="tare" />
      <TypedFigure
        id="bench-typed"
        v-model="typed"
        unit="g"
        words="or typed"
        :label="`${part} as read by eye`"
        @enter="confirm"
      />
    </div>
    <SaidChoice v-if="part === 'A'" path="mix.shaken" k="g" :options="YES_NO" />
    <p v-if="part === 'B' && !bench.batch.value?.startedAt" class="small quiet">
      The clock starts when B touches A. <KeyCap k="Enter" /> takes what is on the scale.
    </p>
  </div>
</template>

<style scoped>
.weigh {
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
}
.numbers {
  display: flex;
  align-items: flex-end;
  gap: var(--space-5);
  flex-wrap: wrap;
}
.cue {
  font-size: 2rem;
  font-weight: 750;
  padding-bottom: 10px;
}
.cue.over {
  color: var(--outside);
}
.bar {
  width: 100%;
  height: 50px;
}
.ground {
  fill: var(--track);
  stroke: var(--card-edge);
}
.fill.a {
  fill: var(--part-a);
}
.fill.b {
  fill: var(--part-b);
}
.fill.over {
  fill: var(--outside);
}
.target {
  stroke: var(--ink-900);
  stroke-width: 4;
}
.tenth {
  stroke: var(--chalk-400);
  stroke-dasharray: 3 4;
}
.facts {
  gap: var(--space-5);
  font-size: 1.1rem;
}
.actions {
  display: flex;
  gap: var(--space-4);
  align-items: flex-end;
  flex-wrap: wrap;
}
.stopped {
  font-weight: 700;
  color: var(--near);
}
.typed {
  display: flex;
  flex-direction: column;
  gap: 3px;
  width: 11rem;
}
</style>
