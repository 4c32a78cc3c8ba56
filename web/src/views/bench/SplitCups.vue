<script setup lang="ts">
import { CoreError, mixedMassG, splitCups, type Cup } from '@warm-jar/core';
import { computed, ref } from 'vue';
import { useBenchContext } from '../../run/useBench';
import { useUnits } from '../../stores/units';
import DoButton from './DoButton.vue';
import TypedFigure from './TypedFigure.vue';

/** A stirred mix poured off into cups of their own, each with its amount. */
const bench = useBenchContext();
const units = useUnits();
const open = ref(false);
const massesG = ref<(number | null)[]>([null, null]);
const wholeG = computed(() =>
  bench.product.value && bench.batch.value ? mixedMassG(bench.product.value, bench.batch.value) : null,
);
const leftG = computed(() =>
  wholeG.value === null ? null : wholeG.value - massesG.value.reduce<number>((sum, g) => sum + (g ?? 0), 0),
);
const problem = ref<string | null>(null);
const put = (i: number, massG: number | null | undefined) => {
  massesG.value = massesG.value.with(i, massG ?? null);
};
function split(): void {
  const { product, batch } = { product: bench.product.value, batch: bench.batch.value };
  if (!product || !batch) return;
  let cups: Cup[];
  try {
    cups = splitCups(
      product,
      batch,
      massesG.value.map((g) => g ?? 0),
      bench.minutesNow(),
    );
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    problem.value = error.message;
    return;
  }
  problem.value = null;
  void bench.write({ words: `split into ${cups.length} cups`, set: { cups } });
}
</script>

<template>
  <div class="split" data-test="split">
    <DoButton v-if="!open" words="Split into cups" quiet @do="open = true" />
    <section v-else class="box" aria-label="Split into cups">
      <p class="quiet">
        Pour off and weigh each cup; colour goes in afterwards, cup by cup.
        <template v-if="wholeG !== null">{{ units.say(wholeG, 'g') }} were mixed.</template>
      </p>
      <div class="row">
        <TypedFigure
          v-for="(g, i) in massesG"
          :id="`bench-cup-${i + 1}`"
          :key="i"
          :model-value="g"
          unit="g"
          :words="`Cup ${i + 1}`"
          :label="`What is in cup ${i + 1}`"
          @update:model-value="put(i, $event)"
        /><DoButton words="One more cup" quiet @do="massesG = [...massesG, null]" />
      </div>
      <p v-if="leftG !== null" class="figures" data-test="left-over">
        {{ leftG >= 0 ? `${units.say(leftG, 'g')} not in a cup yet` : `${units.say(-leftG, 'g')} more than was mixed` }}
      </p>
      <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
      <div class="row">
        <DoButton words="They are in their cups" :disabled="massesG.some((g) => g === null || g <= 0)" @do="split" />
        <DoButton words="Leave it as one" quiet @do="open = false" />
      </div>
    </section>
  </div>
</template>

<style scoped>
.box {
  border: 2px solid var(--action);
  border-radius: var(--radius);
  padding: var(--space-4);
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.row {
  align-items: flex-end;
  gap: var(--space-4);
}
.bad {
  color: var(--outside);
  font-weight: 700;
}
</style>
