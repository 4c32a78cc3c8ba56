<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import KeyCap from '../../components/KeyCap.vue';
import NumberEntry from '../../components/NumberEntry.vue';
import { useUnits } from '../../stores/units';
import BigNumber from './BigNumber.vue';
import DoButton from './DoButton.vue';
import { barShare, cueOf, weighTarget } from '../../run/benchNumber';
import { weighEntry } from './weighEntry';
import { useBenchContext } from '../../run/useBench';

/** Weighs a part: target, what is on the scale, what is still to come. B follows what A really was. */
const props = defineProps<{ part: 'A' | 'B' }>();
const bench = useBenchContext();
const units = useUnits();
const typed = ref<number | null>(null);
const ownTarget = ref<number | null>(null);
watch(
  () => props.part,
  () => {
    typed.value = null;
  },
);
const target = computed(() => {
  const t =
    bench.product.value && bench.batch.value ? weighTarget(bench.product.value, bench.batch.value, props.part) : null;
  return t ? { ...t, targetG: t.targetG ?? ownTarget.value } : null;
});
const shown = computed(() => bench.devices.shown('scale', 'scale'));
const tareG = computed(() => bench.batch.value?.bench?.tareG ?? 0);
const netG = computed(() => (shown.value?.value == null ? null : shown.value.value - tareG.value));
const amount = computed(() => typed.value ?? netG.value);
const stepG = computed(() => 0.1);
const cue = computed(() =>
  amount.value === null || target.value?.targetG == null
    ? null
    : cueOf(amount.value, target.value.targetG, stepG.value),
);
const CUES = { pour: 'Pour', slow: 'Slow now', drops: 'By drops', there: 'Enough', over: 'Over' } as const;
const left = computed(() =>
  amount.value === null || target.value?.targetG == null ? null : target.value.targetG - amount.value,
);
const share = computed(() =>
  amount.value === null || !target.value?.targetG ? 0 : barShare(amount.value, target.value.targetG),
);
const pct = (s: number) => `${(s * 100).toFixed(2)}%`;
/** B on the scale is the moment the parts met. */
const MET_G = 1;
watch(netG, (g) => {
  if (props.part === 'B' && g !== null && g > MET_G && !bench.batch.value?.startedAt && bench.batch.value)
    void bench.write({ words: null, set: bench.met() });
});
const tare = () => {
  if (shown.value?.value != null)
    void bench.write({ words: 'tare', set: { 'bench.tareG': Math.round(shown.value.value * 10) / 10 } });
};
function confirm() {
  const massG = amount.value === null ? null : Math.round(amount.value * 100) / 100;
  const product = bench.product.value;
  if (massG === null || massG <= 0 || !product) return;
  const { part } = props;
  const shownG = shown.value?.value ?? null;
  const weighed = { part, massG, stepG: stepG.value, shownG, typed: typed.value !== null, atMin: bench.minutesNow() };
  typed.value = null;
  void bench.write({
    words: `${target.value?.name ?? part}, ${units.say(massG, 'g')}`,
    step: part === 'A' ? 'weigh-a' : 'weigh-b',
    ...weighEntry(product, weighed, bench.met()),
  });
}
const heading = computed(() => {
  if (left.value === null) return 'To weigh';
  return left.value < 0 ? 'Over by' : 'Still to come';
});
const figure = computed(() => {
  const grams = left.value ?? target.value?.targetG ?? null;
  return grams === null ? '–' : units.say(Math.abs(grams), 'g');
});
const tone = computed(() => (cue.value === 'over' || cue.value === 'there' ? cue.value : 'plain'));
</script>

<template>
  <div class="weigh" data-test="weigh-step">
    <div class="numbers">
      <BigNumber :label="heading" :value="figure" :tone="tone" />
      <p v-if="cue" class="cue" :class="cue" data-test="cue">{{ CUES[cue] }}</p>
    </div>
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
        }}</strong></span
      ><span
        >On the scale
        <strong class="figures" data-test="net">{{
          shown?.silent ? 'the scale does not answer' : netG === null ? '–' : units.say(netG, 'g')
        }}</strong><span v-if="shown && !shown.silent && !shown.settled" class="quiet small"> settling</span></span
      ><span class="quiet small">the last tenth takes two fifths of the bar</span>
    </div>
    <label v-if="target?.targetG == null" class="typed"
      ><span class="small">Target for {{ part }}</span
      ><NumberEntry
        id="bench-own-target"
        :value="ownTarget"
        unit="g"
        :label="`Target for ${part}`"
        @change="
          (v) => {
            ownTarget = v;
          }
        "
    /></label>
    <div class="actions">
      <DoButton
        :words="
          amount === null
            ? 'Type it, or wait for the scale'
            : `${target?.name ?? part} is ${units.say(Math.max(0, amount), 'g')}`
        "
        k="Enter"
        :disabled="amount === null || amount <= 0"
        @do="confirm"
      />
      <DoButton words="Tare" k="z" quiet :disabled="shown?.value == null" @do="tare" />
      <label class="typed"
        ><span class="small">or typed</span
        ><NumberEntry
          id="bench-typed"
          :value="typed"
          unit="g"
          :label="`${part} as read by eye`"
          @change="
            (v) => {
              typed = v;
            }
          "
      /></label>
    </div>
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
.typed {
  display: flex;
  flex-direction: column;
  gap: 3px;
  width: 11rem;
}
</style>
