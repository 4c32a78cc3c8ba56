<script setup lang="ts">
import type { DeviceAct, DeviceKind } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import { ApiProblem } from '../../api/http';
import { devicesApi } from '../../api/devices';
import { weighTarget } from '../../run/benchNumber';
import { useBenchContext } from '../../run/useBench';

/** Hands for the simulated devices: what a person does to the real ones. */
const bench = useBenchContext();
const problem = ref<string | null>(null);
const simulated = computed(() => bench.devices.known.value.some((d) => d.standIn));
const CUP_G = 38;
/** Poured where nothing says how much, g. */
const USUAL_G = 100;
/** What is still to come on, so that pouring to the target twice does not pour twice; null while the scale moves. */
const toComeG = computed(() => {
  if (!bench.product.value || !bench.batch.value) return null;
  const part = bench.step.value === 'weigh-b' ? 'B' : 'A';
  const targetG = weighTarget(bench.product.value, bench.batch.value, part).targetG ?? USUAL_G;
  if (!bench.scale.shown.value?.settled) return null;
  return Math.max(0, Math.round((targetG - (bench.scale.netG.value ?? 0)) * 10) / 10);
});
const targetKPa = computed(() => bench.plan.value?.pressureKPa ?? bench.product.value?.pressure?.minKPa ?? 300);
async function act(kind: DeviceKind, what: DeviceAct) {
  const device = bench.devices.device(kind);
  if (!device) return;
  try {
    await devicesApi.act(device.code, what);
    problem.value = null;
  } catch (error) {
    problem.value = error instanceof ApiProblem ? error.message : 'It could not be done.';
  }
}
const hands = computed<{ words: string; kind: DeviceKind; act: DeviceAct; waits?: boolean }[]>(() => [
  { words: 'Empty cup on', kind: 'scale', act: { do: 'put', massG: CUP_G } },
  {
    words: 'Pour to the target',
    kind: 'scale',
    act: { do: 'pour', massG: toComeG.value ?? 0, gPerS: Math.max(2, (toComeG.value ?? 0) / 6) },
    waits: !toComeG.value,
  },
  { words: 'A dash, 5 g', kind: 'scale', act: { do: 'pour', massG: 5, gPerS: 5 } },
  { words: 'Clear the scale', kind: 'scale', act: { do: 'clear' } },
  { words: 'Pump down', kind: 'vacuum-gauge', act: { do: 'fill', toKPa: 2, minutes: 0.6 } },
  { words: 'Air in', kind: 'vacuum-gauge', act: { do: 'bleed', minutes: 0.2 } },
  { words: 'Open the air valve', kind: 'vessel-gauge', act: { do: 'fill', toKPa: targetKPa.value, minutes: 0.7 } },
  {
    words: 'Spring a leak',
    kind: 'vessel-gauge',
    act: { do: 'fill', toKPa: targetKPa.value, minutes: 0.05, leakKPaPerMin: 6 },
  },
  { words: 'Bleed', kind: 'vessel-gauge', act: { do: 'bleed', minutes: 0.4 } },
  { words: 'Thermometer drops out', kind: 'thermometer', act: { do: 'silence', seconds: 30 } },
]);
</script>

<template>
  <details v-if="simulated" class="card small hands">
    <summary>Hands of the simulated devices</summary>
    <p class="quiet">These stand in for real ones: this is how they are poured on, filled and bled.</p>
    <div class="row">
      <Button
        v-for="h in hands"
        :key="h.words"
        :label="h.words"
        severity="secondary"
        :disabled="h.waits === true"
        @click="act(h.kind, h.act)"
      />
    </div>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  min-height: 32px;
  font-weight: 650;
}
.row {
  padding-top: var(--space-2);
}
.bad {
  color: var(--outside);
}
summary {
  min-height: var(--target);
  display: flex;
  align-items: center;
  cursor: pointer;
}
</style>
