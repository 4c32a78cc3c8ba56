<script setup lang="ts">
import { FAMILIES, FAMILY_WORDS, GUIDE_ENTRIES } from '@warm-jar/core';
import { computed } from 'vue';
import { useProducts } from '../../stores/products';

/** One family of products: how it cures, what spoils it, what it never does, and which the studio has. */
const props = defineProps<{ id: string }>();
const family = computed(() => FAMILIES.find((f) => f === props.id));
const words = computed(() => (family.value ? FAMILY_WORDS[family.value] : null));
const products = useProducts();
const here = computed(() => [...products.bySlug.values()].filter((p) => p.family === family.value));
const others = computed(() => GUIDE_ENTRIES.filter((e) => e.part === 'families' && e.id !== props.id));
</script>

<template>
  <article v-if="words" class="stack" :data-family="id">
    <h1>{{ words.title }}</h1>
    <section class="card">
      <h2>How it cures</h2>
      <p>{{ words.cures }}</p>
      <h2>What its ratio means</h2>
      <p>{{ words.ratio }}</p>
      <h2>What spoils it</h2>
      <p>{{ words.spoils }}</p>
    </section>
    <section class="card" aria-labelledby="g-never">
      <h2 id="g-never">What it never does</h2>
      <ul class="never">
        <li v-for="n in words.never" :key="n">{{ n }}</li>
      </ul>
    </section>
    <p class="caution">
      <i class="pi pi-exclamation-triangle" aria-hidden="true" /> {{ words.caution }} The safety data sheet comes first.
    </p>
    <section class="card" aria-labelledby="g-here">
      <h2 id="g-here">On your shelf</h2>
      <p v-if="here.length === 0" class="quiet">No card of this family.</p>
      <ul v-else class="row">
        <li v-for="p in here" :key="p.slug">
          <RouterLink :to="{ name: 'products', params: { slug: p.slug } }">{{ p.name }}</RouterLink>
        </li>
      </ul>
    </section>
    <p class="row screen">
      <RouterLink v-for="o in others" :key="o.id" :to="{ name: 'guide', params: { part: 'families', id: o.id } }">{{
        o.title
      }}</RouterLink>
    </p>
  </article>
  <p v-else class="card">There is no such family.</p>
</template>

<style scoped>
.card h2:not(:first-child) {
  margin-top: var(--space-4);
}
.never {
  display: grid;
  gap: var(--space-2);
  padding-left: 1.4rem;
  list-style: disc;
  font-weight: 650;
}
.caution {
  background: var(--caution-ground);
  border-left: 5px solid var(--caution-edge);
  padding: var(--space-3);
}
@media print {
  .screen {
    display: none;
  }
}
</style>
