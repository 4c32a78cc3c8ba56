<script setup lang="ts">
import { additiveSchema, dropsPerG } from '@warm-jar/core';
import { computed } from 'vue';
import { useProducts } from '../../../stores/products';
import { useUnits } from '../../../stores/units';
import type { Tree } from '../../../stores/draftPath';

/** Drops in a gram, and what each card allows of this kind. */
const props = defineProps<{ document: Tree; shelved: unknown }>();
const units = useUnits();
const products = useProducts();
const card = computed(() => {
  const r = additiveSchema.safeParse(props.document);
  return r.success ? r.data : null;
});
const perG = computed(() => (card.value ? dropsPerG(card.value) : null));
const GRAMS_IN_AN_OUNCE = 28.349523125;
const inOunces = computed(() => units.label('g') === 'oz');
const oneOf = computed(() =>
  inOunces.value ? { words: 'an ounce', grams: GRAMS_IN_AN_OUNCE } : { words: 'a gram', grams: 1 },
);
/** A drop is some hundredths of a gram: in grams it is told in mg. */
const dropWords = (grams: number) => (inOunces.value ? units.say(grams, 'g') : `${Math.round(grams * 1000)} mg`);
const limitWords = (limit: number | null | undefined) =>
  limit == null ? 'card does not say' : `to ${units.say(limit, '%')}`;
const allowed = computed(() =>
  products.cards
    .map((p) => {
      const kind = card.value?.kind;
      const refused = (kind && p.additives?.refused?.includes(kind)) || card.value?.refusedBy?.includes(p.slug);
      const limit = kind ? p.additives?.kinds?.[kind] : null;
      return {
        name: p.name,
        says: refused ? 'refuses it' : limitWords(limit),
        refused: Boolean(refused),
        limit,
      };
    })
    .filter((a) => a.refused || a.limit != null),
);
</script>

<template>
  <section v-if="card" class="card panel" aria-label="What follows">
    <div>
      <p class="small quiet">Drops in {{ oneOf.words }}</p>
      <p class="big figures">
        {{ perG === null ? 'not measured' : Number((perG * oneOf.grams).toPrecision(3)) }}
      </p>
      <p class="small quiet">
        {{
          perG === null ? 'Count some drops onto the scale and write down both.' : `one drop is ${dropWords(1 / perG)}`
        }}
      </p>
      <p v-if="card.solvent" class="small warn">Flammable: no flame while it is wet.</p>
    </div>
    <ul class="small">
      <li v-for="a in allowed" :key="a.name" :class="{ warn: a.refused }">{{ a.name }} {{ a.says }}</li>
    </ul>
  </section>
</template>

<style scoped>
.panel {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-4);
}
.big {
  font-size: 1.5rem;
  font-weight: 750;
}
.warn {
  color: var(--outside);
  font-weight: 650;
}
</style>
