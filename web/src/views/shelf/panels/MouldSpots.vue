<script setup lang="ts">
import type { Mould } from '@warm-jar/core';
import { computed, toRef } from 'vue';
import { OUTLINE_HEIGHT, outlinePath } from '../../../components/outlinePath';
import { tellsThere } from '../../../components/tellsThere';
import { useMouldSpots } from './useMouldSpots';

/** Faults of all pulls laid over the outline: where they come again, and whether chance would do that. */
const props = defineProps<{ mould: Mould; code: string }>();
const { spots, problem } = useMouldSpots(toRef(props, 'code'));
const emit = defineEmits<{ there: [] }>();
tellsThere({ value: spots, problem }, () => {
  emit('there');
});
/** Radius of a place in the drawing: it grows with the pulls that failed there. */
const radius = (batches: number) => 6 + 2.5 * Math.sqrt(batches);
const drawn = computed(() =>
  (spots.value?.cavities ?? []).map((c) => {
    const cavity = props.mould.cavities?.[c.cavity];
    return {
      ...c,
      name: cavity?.name ?? String(c.cavity + 1),
      ...outlinePath(cavity?.outline ?? 'rectangle', cavity?.outlineAspect ?? 1),
    };
  }),
);
</script>

<template>
  <section v-if="problem || drawn.length" class="card stack" aria-labelledby="spots" data-test="spots">
    <h2 id="spots">The same spot again</h2>
    <p v-if="problem" class="bad small" role="alert">{{ problem }}</p>
    <div class="cavities">
      <div v-for="c in drawn" :key="c.cavity" class="cavity">
        <svg
          class="outline"
          :viewBox="`0 0 ${c.width} ${OUTLINE_HEIGHT}`"
          role="img"
          :aria-label="`Cavity ${c.name}: faults on ${spots?.pulls ?? 0} pulls`"
        >
          <path :d="c.d" fill-rule="evenodd" />
          <circle
            v-for="(s, i) in c.spots"
            :key="`s${i}`"
            :cx="s.x * c.width"
            :cy="s.y * OUTLINE_HEIGHT"
            :r="radius(s.batches.length)"
            :class="s.verdict"
          />
          <circle
            v-for="(m, i) in c.marks"
            :key="`m${i}`"
            :cx="m.x * c.width"
            :cy="m.y * OUTLINE_HEIGHT"
            r="1.8"
            class="mark"
          />
        </svg>
        <div>
          <strong>Cavity {{ c.name }}</strong>
          <ul class="small">
            <li v-for="(s, i) in c.spots" :key="i">
              {{ s.says }}
              <span class="codes"
                ><RouterLink
                  v-for="b in s.batches"
                  :key="b"
                  class="figures"
                  :to="{ name: 'batch', params: { code: b } }"
                  >{{ b }}</RouterLink
                ></span
              >
            </li>
          </ul>
        </div>
      </div>
    </div>
    <p class="small quiet">
      A fault's place is marked at its check. The test is binomial, over {{ spots?.pulls ?? 0 }} pulls that were looked
      at.
    </p>
  </section>
</template>

<style scoped>
.cavities {
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
}
.cavity {
  display: grid;
  grid-template-columns: minmax(0, auto) minmax(0, 1fr);
  gap: var(--space-4);
  align-items: center;
}
.outline {
  display: block;
  height: 120px;
  max-width: 100%;
}
path {
  fill: var(--amber-100);
  stroke: var(--amber-700);
  stroke-width: 2;
}
circle {
  fill: none;
  stroke-width: 2.5;
}
.mould {
  stroke: var(--outside);
}
.chance,
.cannot-tell {
  stroke: var(--ink-500);
  stroke-dasharray: 4 3;
}
.mark {
  fill: var(--ink-900);
  stroke: none;
}
.codes {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 0 0.5em;
}
.bad {
  color: var(--outside);
}
</style>
