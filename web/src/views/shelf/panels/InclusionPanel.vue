<script setup lang="ts">
import { dryingState, inclusionSchema, inclusionWarnings, type InclusionCard } from '@warm-jar/core';
import { computed } from 'vue';
import { useProducts } from '../../../stores/products';
import { useUnits } from '../../../stores/units';
import type { Tree } from '../../../stores/draftPath';
import { whenNear } from '../../../components/whenNear';

/** How dry it is by its weighings, and what speaks against each product. */
const props = defineProps<{ document: Tree; shelved: unknown }>();
const LineChart = whenNear(() => import('../../../components/LineChart.vue'));
const units = useUnits();
const products = useProducts();
const card = computed<InclusionCard | null>(() => {
  const r = inclusionSchema.safeParse(props.document);
  return r.success ? r.data : null;
});
const sorted = computed(() => [...(card.value?.weighings ?? [])].sort((a, b) => Date.parse(a.at) - Date.parse(b.at)));
const drying = computed(() => dryingState(sorted.value));
const told = computed(() => {
  const d = drying.value;
  if (d.state === 'not-known') return 'Two weighings four hours or more apart tell whether it is dry.';
  if (d.lossPct === null || d.hours === null)
    return 'The scale is too coarse to tell over so short a time: weigh it again later.';
  const change = `${units.say(Math.abs(d.lossPct), '%')} a day by the last two weighings, ${units.say(d.hours, 'h')} apart`;
  if (d.state === 'dry') return `Dry: it loses ${change}, under half a per cent.`;
  return d.state === 'drying'
    ? `Still drying: it loses ${change}.`
    : `Heavier than before by ${change}: one of the two weighings is wrong, or it takes up water. Weigh it again.`;
});
const spec = computed(() => {
  const first = sorted.value[0];
  return first && sorted.value.length > 1
    ? {
        title: 'Mass over time',
        x: 'hours',
        y: units.label('g'),
        lines: [
          {
            name: 'mass',
            dots: true,
            points: sorted.value.map(
              (w) => [(Date.parse(w.at) - Date.parse(first.at)) / 3_600_000, units.shown(w.massG, 'g')] as const,
            ),
          },
        ],
      }
    : null;
});
const against = computed(() =>
  card.value
    ? products.cards.flatMap((p) =>
        inclusionWarnings(card.value!, p, units.say)
          .filter((w) => w.code !== 'not-dry')
          .map((w) => ({ ...w, product: p })),
      )
    : [],
);
const badly = computed(() => against.value.filter((w) => w.code === 'went-badly'));
const others = computed(() =>
  products.cards
    .map((product) => ({
      product,
      warnings: against.value.filter((w) => w.product.slug === product.slug && w.code !== 'went-badly'),
    }))
    .filter((o) => o.warnings.length > 0),
);
</script>

<template>
  <section class="card panel" aria-label="What follows">
    <div class="stack">
      <p class="told" :class="{ dry: drying.state === 'dry' }">{{ told }}</p>
      <ul>
        <li v-for="w in badly" :key="w.product.slug" class="bad">{{ w.says }}</li>
      </ul>
      <details v-if="others.length">
        <summary>To mind with {{ others.length }} product{{ others.length === 1 ? '' : 's' }}</summary>
        <ul class="small">
          <li v-for="o in others" :key="o.product.slug">
            <strong>{{ o.product.name }}</strong>: {{ o.warnings.map((w) => w.says).join(' ') }}
          </li>
        </ul>
      </details>
    </div>
    <LineChart v-if="spec" :spec="spec" :height="170" />
  </section>
</template>

<style scoped>
.panel {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-4);
}
.told {
  font-size: 1.15rem;
  font-weight: 700;
  color: var(--near);
}
.dry {
  color: var(--action);
}
.bad {
  color: var(--outside);
  font-weight: 650;
}
summary {
  cursor: pointer;
  min-height: 32px;
  font-weight: 600;
}
@media (max-width: 56.25em) {
  .panel {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
