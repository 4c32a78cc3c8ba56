<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import NumberEntry from '../../components/NumberEntry.vue';
import { useBenchContext } from '../../run/useBench';
import { useUnits } from '../../stores/units';
import DoButton from './DoButton.vue';
import { LineChart } from './laterParts';
import { usePourWindow } from './usePourWindow';

/**
 * Waiting for a temperature to pour at: said while the mix is stirred or rests, kept in the record, and rung when it
 * opens and before it closes.
 */
defineProps<{ drawn?: boolean }>();
const bench = useBenchContext();
const units = useUnits();
const { fromC, toC, set, words, curve } = usePourWindow();
const [from, to] = [ref<number | null>(null), ref<number | null>(null)];
watch(
  [fromC, toC],
  ([f, t]) => {
    [from.value, to.value] = [f, t];
  },
  { immediate: true },
);
const changed = computed(() => from.value !== fromC.value || to.value !== toC.value);
const upsideDown = computed(() => from.value !== null && to.value !== null && from.value >= to.value);
const take = () => {
  if (upsideDown.value || from.value === null || to.value === null) return;
  set({ fromC: from.value, toC: to.value });
};
</script>

<template>
  <div class="window-box" data-test="pour-window">
    <div class="row window">
      <span>Pour at a temperature?</span
      ><span class="n"
        ><NumberEntry
          id="bench-from"
          :value="from"
          unit="°C"
          label="Pour from"
          @change="
            (v) => {
              from = v;
            }
          "
          @enter="take" /></span
      ><span>to</span
      ><span class="n"
        ><NumberEntry
          id="bench-to"
          :value="to"
          unit="°C"
          label="Pour up to"
          @change="
            (v) => {
              to = v;
            }
          "
          @enter="take" /></span
      ><DoButton
        v-if="changed && from !== null && to !== null"
        words="Wait for it"
        quiet
        :disabled="upsideDown"
        @do="take"
      /><DoButton v-else-if="fromC !== null" words="Do not wait" quiet @do="set(null)" />
    </div>
    <p v-if="upsideDown" class="bad small" role="alert">The first must be the colder one.</p>
    <p v-if="words" class="told">
      <strong data-test="window">{{ words }}</strong><span
        v-if="bench.clock.value?.resinNowC != null"
        class="quiet small"
      >
        By the model it is {{ units.say(Math.round(bench.clock.value.resinNowC * 10) / 10, '°C') }} now.</span
      >
    </p>
    <LineChart v-if="drawn && curve" :spec="curve" :height="200" />
  </div>
</template>

<style scoped>
.window {
  flex-wrap: wrap;
}
.n {
  width: 8.5rem;
}
.bad {
  color: var(--outside);
}
</style>
