<script setup lang="ts">
import { comeBacks, hardAndCoolMin, sayMinutes, thinEdgeOutMin, warmthAtCardDemouldK } from '@warm-jar/core';
import { computed, ref, watch } from 'vue';
import { useUnits } from '../../stores/units';
import BigNumber from './BigNumber.vue';
import DoButton from './DoButton.vue';
import ReasonBox from '../../components/ReasonBox.vue';
import { countdown } from '../../run/countdown';
import { useBenchContext } from '../../run/useBench';
import { useMouldModel } from './useMouldModel';

/**
 * Watches the cure: looks in between, the witness, the surface against the model, and out of the mould hard and cool.
 */
const bench = useBenchContext();
const units = useUnits();
const mould = useMouldModel(bench);
const asking = ref(false);
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
const looks = computed(() =>
  bench.product.value
    ? comeBacks(
        bench.product.value,
        mould.value?.lastGelMin ?? bench.clock.value?.gelsMin ?? null,
        bench.batch.value?.pour?.finishedMin ?? 0,
      )
    : [],
);
const nextLook = computed(() => looks.value.find((l) => l.afterMin > now.value) ?? null);
const witness = computed(() => bench.batch.value?.witness?.setMin ?? null);
const surface = computed(() => {
  const slab = mould.value?.slab;
  if (!slab) return null;
  const at = now.value - (mould.value?.pourMin ?? 0);
  const i = slab.minutes.findIndex((m) => m >= at);
  return (i < 0 ? slab.temperatureC.at(-1) : slab.temperatureC[i])?.[0] ?? null;
});
const readC = computed(
  () => [...(bench.batch.value?.readings ?? [])].reverse().find((r) => r.what === 'surface') ?? null,
);
const thermometer = computed(() => bench.devices.shown('thermometer', 'resin'));
watch(left, (l) => {
  if (l !== null && l <= 0) bench.signals.give('demould', 'note', 'Hard and cool by card and model');
});
watch(nextLook, (look, before) => {
  if (before && look !== before) bench.signals.give(`look ${before.afterMin}`, 'note', 'Look at the cast');
});
const setNow = () => void bench.write({ words: 'witness set', set: { 'witness.setMin': bench.minutesNow() } });
const readSurface = () => {
  if (thermometer.value?.value != null)
    void bench.write({
      words: 'surface read',
      add: [
        {
          path: 'readings',
          value: { atMin: bench.minutesNow(), what: 'surface', value: thermometer.value.value, unit: 'C' },
        },
      ],
    });
};
const outSet = () => ({
  'cure.demouldedMin': bench.minutesNow(),
  'cure.temperatureC': bench.batch.value?.cure?.temperatureC ?? bench.batch.value?.room?.temperatureC ?? null,
});
const out = () => void bench.write({ words: 'demoulded', step: 'watch', set: outSet() });
const pass = (reason: string) => {
  asking.value = false;
  void bench.write({
    words: 'demoulded early',
    step: 'watch',
    set: outSet(),
    add: [{ path: 'bench.reasons', value: { field: 'cure.demouldedMin', reason, atMin: bench.minutesNow() } }],
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
    <p v-if="nextLook" class="told">
      Look again in <strong class="figures">{{ sayMinutes(Math.max(0, nextLook.afterMin - now)) }}</strong>.
      {{ nextLook.says }}
    </p>
    <p v-if="surface !== null" class="told">
      Surface by the model
      <strong class="figures">{{ units.say(Math.round(surface * 10) / 10, '°C') }}</strong><template
        v-if="readC?.value != null"
        >, read {{ units.say(readC.value, '°C') }} at {{ sayMinutes(readC.atMin ?? 0) }}</template
      >.
    </p>
    <ReasonBox
      v-if="asking"
      :what="`By card and model it needs another ${sayMinutes(left ?? 0)}.`"
      @reason="pass"
      @cancel="asking = false"
    />
    <div v-else class="actions">
      <DoButton
        :words="left !== null && left > 0 ? 'Out early' : 'Out of the mould'"
        k="Enter"
        :danger="left !== null && left > 0"
        @do="left !== null && left > 0 ? (asking = true) : out()"
      /><DoButton v-if="witness === null" words="The witness has set" k="w" quiet @do="setNow" /><DoButton
        words="Read the surface"
        k="f"
        quiet
        :disabled="thermometer?.value == null"
        @do="readSurface"
      />
    </div>
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
</style>
