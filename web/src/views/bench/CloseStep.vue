<script setup lang="ts">
import { vesselStop } from '@warm-jar/core';
import Checkbox from 'primevue/checkbox';
import { computed } from 'vue';
import { today } from '../../components/words';
import { useShelf } from '../../stores/shelf';
import { useUnits } from '../../stores/units';
import BigNumber from './BigNumber.vue';
import DoButton from './DoButton.vue';
import KeyCap from '../../components/KeyCap.vue';
import { onPlainKey } from '../../keys/keys';
import { countdown } from '../../run/countdown';
import { useBenchContext } from '../../run/useBench';

/** Before the lid goes on: the vessel's rating, and what is looked at each time. */
const bench = useBenchContext();
const shelf = useShelf();
const units = useUnits();
const CHECKS = [
  { what: 'Gasket clean and seated', k: 'd' },
  { what: 'Relief valve moves freely', k: 'e' },
  { what: 'Every clamp on and tight', k: 'f' },
  { what: 'Mould level, nothing can tip', k: 'g' },
] as const;
/** The vessel that the record names; none is taken for granted. */
const vessel = computed(() => shelf.vessels.find((v) => v.code === bench.batch.value?.pressure?.vessel) ?? null);
const choose = (code: string | null) =>
  void bench.write({ words: code === null ? 'no vessel' : `vessel ${code}`, set: { 'pressure.vessel': code } });
const targetKPa = computed(() => bench.plan.value?.pressureKPa ?? bench.product.value?.pressure?.minKPa ?? null);
const stop = computed(() =>
  vessel.value && targetKPa.value !== null ? vesselStop(vessel.value, targetKPa.value, today(), units.say) : null,
);
const checked = computed(() => bench.batch.value?.bench?.checked ?? []);
const toggle = (what: string, on: boolean) =>
  void bench.write({
    words: what.toLowerCase(),
    set: { 'bench.checked': on ? [...checked.value, what] : checked.value.filter((c) => c !== what) },
  });
for (const { what, k } of CHECKS) onPlainKey(k, () => toggle(what, !checked.value.includes(what)));
const all = computed(() => CHECKS.every(({ what }) => checked.value.includes(what)));
const left = computed(() =>
  bench.due.value.pressureByMin === null || bench.nowMin.value === null
    ? null
    : bench.due.value.pressureByMin - bench.nowMin.value,
);
const close = () =>
  void bench.write({
    words: 'lid closed',
    step: 'close',
    set: { 'pressure.startedMin': bench.minutesNow() },
  });
const without = () => void bench.write({ words: 'not pressed', step: 'close', set: { 'pressure.gaugeKPa': 0 } });
</script>

<template>
  <div class="close" data-test="close">
    <BigNumber
      :label="left === null ? 'Gel is not known' : left < 0 ? 'It has gelled, by the model' : 'At pressure within'"
      :value="left === null ? '–' : countdown(Math.abs(left))"
      :tone="left !== null && left < 0 ? 'over' : 'plain'"
    />
    <p v-if="stop" class="bad" role="alert">{{ stop.says }}</p>
    <p v-else-if="vessel" class="told">
      {{ vessel.name }}, rated to {{ units.say(vessel.ratedKPa, 'kPa')
      }}<template v-if="targetKPa !== null"
        >; planned <strong class="figures">{{ units.say(targetKPa, 'kPa') }}</strong></template
      >.
    </p>
    <p v-else-if="shelf.vessels.length === 0" class="bad">
      No vessel with a rating is on the shelf. Press only a rated one, within its rating.
    </p>
    <div class="row" role="group" aria-label="Vessel" data-test="vessel">
      <DoButton
        v-for="(v, i) in shelf.vessels.filter((other) => other.code !== vessel?.code)"
        :key="v.code"
        :words="`${vessel ? 'Rather in' : 'In'} ${v.name}, rated ${units.say(v.ratedKPa, 'kPa')}`"
        v-bind="i === 0 ? { k: 'j' } : {}"
        quiet
        @do="choose(v.code)"
      />
    </div>
    <ul class="checks">
      <li v-for="c in CHECKS" :key="c.what">
        <label
          ><Checkbox
            :model-value="checked.includes(c.what)"
            binary
            :input-id="`check-${c.k}`"
            @update:model-value="toggle(c.what, $event)" /><span>{{ c.what }}</span
          ><KeyCap :k="c.k"
        /></label>
      </li>
    </ul>
    <div class="actions">
      <DoButton
        words="Lid closed"
        k="Enter"
        :disabled="!all || stop !== null || vessel === null"
        @do="close"
      /><DoButton words="Do not press it" quiet @do="without" />
    </div>
  </div>
</template>

<style scoped>
.close {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.told {
  font-size: 1.2rem;
}
.bad {
  color: var(--outside);
  font-weight: 700;
  font-size: 1.15rem;
}
.checks {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-2);
}
.checks label {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 52px;
  font-size: 1.1rem;
}
.actions {
  display: flex;
  gap: var(--space-4);
}
</style>
