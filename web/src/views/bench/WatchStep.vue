<script setup lang="ts">
import {
  castingsOf,
  hardAndCoolMin,
  sayMinutes,
  thinEdgeOutMin,
  valueAlong,
  warmthAtCardDemouldK,
} from '@warm-jar/core';
import { computed, ref, watch } from 'vue';
import { useUnits } from '../../stores/units';
import BigNumber from './BigNumber.vue';
import DoButton from './DoButton.vue';
import TypedFigure from './TypedFigure.vue';
import ReasonBox from '../../components/ReasonBox.vue';
import { countdown } from '../../run/countdown';
import { useBenchContext } from '../../run/useBench';
import { useMouldModel } from './useMouldModel';
import PourTicks from './PourTicks.vue';
import OfferedFigure from './OfferedFigure.vue';
import { readingOf } from '../../run/readingOf';
import { useRunLooks } from '../../run/useRunSignals';

/**
 * Watches the cure: looks in between, the witness, the surface against the model, and out of the mould hard and cool.
 */
const bench = useBenchContext();
const units = useUnits();
const mould = useMouldModel(bench);
const asking = ref(false);
const looks = useRunLooks();
const now = computed(() => bench.nowMin.value ?? 0);
/** Hard by the readings at its thin edge, and cool by the model; the plan's own figure where neither is there. */
const outMin = computed(() => {
  const { product, batch, plan } = bench;
  const edgeMin = product.value && batch.value ? thinEdgeOutMin(product.value, batch.value) : null;
  if (edgeMin === null) return plan.value?.demouldMin ?? null;
  return hardAndCoolMin(mould.value?.thinAgedMin ?? null, mould.value?.coolEnoughMin ?? null, edgeMin);
});
/** The surface as last read, where it is warmer than the card's own piece is at its demould. */
const stillHot = computed(() => {
  const c = readC.value?.value;
  const roomC = bench.conditions.value.roomC;
  return bench.product.value && c != null && c - roomC > warmthAtCardDemouldK(bench.product.value) ? c : null;
});
const left = computed(() => (outMin.value === null ? null : outMin.value - now.value));
const nextLook = computed(() => looks.openLooks.value[0] ?? null);
const lookDue = computed(() => nextLook.value !== null && nextLook.value.afterMin <= now.value);
const witness = computed(() => bench.batch.value?.witness?.setMin ?? null);
const surface = computed(() => {
  const slab = mould.value?.slab;
  if (!slab) return null;
  const at = now.value - (mould.value?.pourMin ?? 0);
  return valueAlong(
    slab.minutes,
    slab.temperatureC.map((layer) => layer[0]!),
    at,
  );
});
const readC = computed(
  () => [...(bench.batch.value?.readings ?? [])].reverse().find((r) => r.what === 'surface') ?? null,
);
const thermometer = computed(() => bench.devices.shown('thermometer', 'resin'));
watch(left, (l) => {
  if (l !== null && l <= 0) bench.signals.give('demould', 'note', 'Hard and cool by card and model');
});
const setNow = () => void bench.write({ words: 'witness set', set: { 'witness.setMin': bench.minutesNow() } });
const surfaceTyped = bench.typed('surface');
function readSurface(): void {
  const from = surfaceTyped.value === null ? thermometer.value : null;
  const value = surfaceTyped.value ?? thermometer.value?.value ?? null;
  if (value === null) return;
  surfaceTyped.value = null;
  void bench.write({
    words: `surface ${units.say(value, '°C')}`,
    add: [readingOf(bench.minutesNow(), 'surface', value, 'C', from)],
  });
}
/** A witness that sets far from the model's gel is told: one of the two is not of this cup. */
const WITNESS_OFF = 0.3;
const witnessOff = computed(() => {
  const gels = bench.clock.value?.gelsMin ?? null;
  if (witness.value === null || gels === null || gels <= 0) return null;
  const off = witness.value / gels - 1;
  return Math.abs(off) > WITNESS_OFF ? { gels, slow: off > 0 } : null;
});
const outSet = () => ({ 'cure.demouldedMin': bench.minutesNow() });
const out = () => void bench.write({ words: 'demoulded', step: 'watch', set: outSet() });
const earlyWords = computed(() =>
  left.value !== null && left.value > 0 ? `By card and model it needs another ${sayMinutes(left.value)}.` : null,
);
const pass = (reason: string) => {
  asking.value = false;
  void bench.write({
    words: 'demoulded early',
    step: 'watch',
    set: outSet(),
    add: [bench.reasonFor('cure.demouldedMin', reason)],
  });
};
</script>

<template>
  <div class="watch" data-test="watch">
    <BigNumber
      :label="
        left === null ? 'Demould time is not known' : left > 0 ? 'Out of the mould in' : 'Ready to come out since'
      "
      :value="left === null ? '–' : countdown(Math.abs(left))"
    />
    <p class="told">
      Hard <em>and</em> cool; thin edges last.
      <strong v-if="stillHot !== null"
        >The surface was read at {{ units.say(stillHot, '°C') }}: let it cool first.</strong
      >
      <template v-if="witness !== null"
        >The witness set after {{ sayMinutes(witness)
        }}<template v-if="mould?.lastGelMin != null"
          >; the last of the piece is {{ sayMinutes(Math.max(0, mould.lastGelMin - witness)) }} behind it by the
          model</template
        >.</template
      >
    </p>
    <p v-if="witnessOff" class="told bad" data-test="witness-off">
      By the model it gels at {{ sayMinutes(witnessOff.gels) }}:
      {{
        witnessOff.slow
          ? 'slower than it should, if it was not set long before you looked. Leave it in longer, and look at ratio and temperature.'
          : 'faster than it should. Look at heat, dose and depth.'
      }}
    </p>
    <p v-if="nextLook" class="told" :class="{ due: lookDue }" data-test="next-look">
      <template v-if="lookDue"><strong>Look now.</strong> </template
      ><template v-else
        >Look again in <strong class="figures">{{ sayMinutes(nextLook.afterMin - now) }}</strong>. </template
      >{{ nextLook.says }}
    </p>
    <p v-if="surface !== null" class="told">
      Surface by the model
      <strong class="figures">{{ units.say(Math.round(surface * 10) / 10, '°C') }}</strong><template
        v-if="readC?.value != null"
        >, read {{ units.say(readC.value, '°C') }} at {{ sayMinutes(readC.atMin ?? 0) }}</template
      >.
    </p>
    <ReasonBox v-if="asking" :what="earlyWords ?? ''" @reason="pass" @cancel="asking = false" />
    <div v-else class="actions">
      <DoButton
        :words="left !== null && left > 0 ? 'Out early' : 'Out of the mould'"
        k="Enter"
        :danger="left !== null && left > 0"
        @do="left !== null && left > 0 ? (asking = true) : out()"
      /><DoButton v-if="witness === null" words="The witness has set" k="w" quiet @do="setNow" /><DoButton
        v-if="nextLook"
        words="Looked"
        k="k"
        quiet
        @do="looks.lookDone"
      /><DoButton
        words="Read the surface"
        k="f"
        quiet
        :disabled="thermometer?.value == null && surfaceTyped === null"
        @do="readSurface"
      /><TypedFigure
        id="bench-surface"
        v-model="surfaceTyped"
        unit="°C"
        words="surface, typed"
        label="Surface as read by eye"
        @enter="readSurface"
      />
    </div>
    <PourTicks v-if="castingsOf(bench.batch.value ?? {}).length" done="demouldedMin" :early="earlyWords" />
    <OfferedFigure path="pour.leftG" unit="g" k="j" :planned="null" />
  </div>
</template>

<style scoped>
.watch {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.told {
  font-size: 1.15rem;
}
.actions {
  display: flex;
  gap: var(--space-4);
  flex-wrap: wrap;
}
.due {
  font-weight: 700;
}
.bad {
  color: var(--outside);
}
</style>
