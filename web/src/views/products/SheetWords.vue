<script setup lang="ts">
import { computed } from 'vue';
import type { SheetOffer } from './sheetOffers';

/** The sheet's own words with their lines counted; those that a figure came from are marked. */
const props = defineProps<{ lines: readonly string[]; offers: readonly SheetOffer[] }>();
const MOST = 600;
const used = computed(() => new Set(props.offers.flatMap((o) => o.choices.map((c) => c.line))));
/** Wide gaps between the cells of a table are drawn as narrow ones. */
const shown = computed(() => props.lines.slice(0, MOST).map((line) => line.trimStart().replaceAll(/ {3,}/g, '   ')));
</script>

<template>
  <section class="card words" aria-label="The sheet as it was read" tabindex="0">
    <h2>The sheet as it was read</h2>
    <p class="small quiet">Marked lines gave a figure. Look at the others: what was missed is typed in.</p>
    <ol>
      <li v-for="(line, at) in shown" :key="at" :class="{ used: used.has(at + 1) }" :data-line="at + 1">
        <span class="number figures" aria-hidden="true">{{ at + 1 }}</span><span class="said">{{ line }}</span>
      </li>
    </ol>
    <p v-if="lines.length > MOST" class="small quiet">{{ lines.length - MOST }} lines more.</p>
  </section>
</template>

<style scoped>
.words {
  position: sticky;
  top: var(--space-4);
  max-height: calc(100vh - 32px);
  overflow: auto;
}
ol {
  list-style: none;
  padding: var(--space-2) 0 0;
}
ol li {
  display: grid;
  grid-template-columns: 2.2rem minmax(0, 1fr);
  min-height: 1.4em;
  border-left: 4px solid transparent;
  padding-left: 4px;
}
.used {
  border-left-color: var(--part-a);
  background: var(--chalk-100);
}
.number {
  color: var(--text-quiet);
  font-size: 0.75rem;
  padding-top: 3px;
}
.said {
  font-family: var(--figures);
  font-size: 0.78rem;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
@media (max-width: 62.5em) {
  .words {
    position: static;
    max-height: 60vh;
  }
}
</style>
