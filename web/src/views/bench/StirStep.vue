<script setup lang="ts">
import { TOOLS, VIGOURS, sayMinutes } from '@warm-jar/core';
import { computed, watch } from 'vue';
import BigNumber from './BigNumber.vue';
import DoButton from './DoButton.vue';
import { countdown } from '../../run/countdown';
import { stirCue } from './stirCue';
import PourWindow from './PourWindow.vue';
import SaidChoice from './SaidChoice.vue';
import { YES_NO } from './yesNo';
import { useBenchContext } from '../../run/useBench';

/** Stirs for the card's minutes, with a word for wall and bottom. */
const bench = useBenchContext();
const TOOL_WORDS = TOOLS.map((value) => ({ value, words: value }));
const VIGOUR_WORDS = VIGOURS.map((value) => ({ value, words: value }));
const tool = computed(() => bench.batch.value?.mix?.tool ?? null);
const wantedMin = computed(
  () => bench.product.value?.mix?.minMin ?? bench.plan.value?.timeline.find((s) => s.what === 'stir')?.toMin ?? 2,
);
const from = computed(() => bench.batch.value?.bench?.stirFromMin ?? null);
const elapsed = computed(() =>
  from.value === null || bench.nowMin.value === null ? null : Math.max(0, bench.nowMin.value - from.value),
);
const left = computed(() => (elapsed.value === null ? wantedMin.value : wantedMin.value - elapsed.value));
const cue = computed(() => stirCue(elapsed.value, wantedMin.value));
watch(cue, (now) => {
  if (elapsed.value !== null && now !== 'Fold, do not whip')
    bench.signals.give(`stir ${now}`, now === 'Stirred long enough' ? 'warn' : 'note', now);
});
const begin = () => void bench.write({ words: 'stir begun', set: { 'bench.stirFromMin': bench.minutesNow() ?? 0 } });
const done = (scrapedWalls: boolean) =>
  void bench.write({
    words: 'stirred',
    step: 'stir',
    set: {
      'mix.stirMin': Math.round(((bench.minutesNow() ?? 0) - (from.value ?? 0)) * 100) / 100,
      'mix.scrapedWalls': scrapedWalls,
    },
  });
</script>

<template>
  <div class="stir" data-test="stir">
    <BigNumber :label="left < 0 ? 'Longer than the card by' : 'Stir another'" :value="countdown(Math.abs(left))" />
    <p class="cue" data-test="cue">{{ cue }}</p>
    <p v-if="bench.product.value?.moistureSensitive && tool === 'wood'" class="bad">
      Wood holds water, and this resin foams on it: take steel or plastic.
    </p>
    <div class="actions">
      <DoButton v-if="from === null" words="Begin to stir" k="Enter" @do="begin" />
      <template v-else
        ><DoButton
          :words="
            left > 0 ? `Stop ${sayMinutes(left)} early, wall and bottom scraped` : 'Stirred, wall and bottom scraped'
          "
          k="Enter"
          :danger="left > 0"
          @do="done(true)" /><DoButton words="Not scraped" quiet @do="done(false)"
      /></template>
    </div>
    <SaidChoice path="mix.tool" k="g" :options="TOOL_WORDS" />
    <SaidChoice path="mix.vigour" k="j" :options="VIGOUR_WORDS" />
    <SaidChoice path="mix.secondCup" k="k" :options="YES_NO" />
    <PourWindow v-if="!bench.lightCured.value" />
  </div>
</template>

<style scoped>
.stir {
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
}
.cue {
  font-size: 2rem;
  font-weight: 750;
}
.bad {
  color: var(--outside);
  font-weight: 700;
}
.actions {
  display: flex;
  gap: var(--space-4);
  flex-wrap: wrap;
}
</style>
