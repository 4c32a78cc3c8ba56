<script setup lang="ts">
import { byText, GUIDE_ENTRIES, GUIDE_PARTS, findInGuide, type GuideEntry, type GuidePart } from '@warm-jar/core';
import InputText from 'primevue/inputtext';
import { computed, ref } from 'vue';
import { guidePlace } from '../../components/guidePlace';

/** All pages of the guide, narrowed by what is typed. */
const words = ref('');
const shown = computed<readonly GuideEntry[]>(() => (words.value.trim() ? findInGuide(words.value) : GUIDE_ENTRIES));
const HEADS: Readonly<Record<GuidePart, { title: string; says: string }>> = {
  causes: { title: 'What went wrong', says: 'A page a cause: how it looks, how it comes about, what tells it apart.' },
  families: { title: 'What is in the bottle', says: 'How each family cures, what spoils it, and what it never does.' },
  schools: { title: 'Where people disagree', says: 'Both sides, what Warm Jar does, and what your own log says.' },
  words: { title: 'Words', says: 'Every word of the cards and the work, with its picture.' },
};
const groups = computed(() =>
  GUIDE_PARTS.map((part) => ({
    part,
    ...HEADS[part],
    entries: shown.value
      .filter((e) => e.part === part)
      .sort((a, b) => (part === 'causes' && !words.value ? byText(a.title, b.title) : 0)),
  })).filter((g) => g.entries.length > 0),
);
</script>

<template>
  <div class="row spread">
    <h1>Guide</h1>
    <RouterLink :to="{ name: 'drill' }" class="screen p-button p-component p-button-secondary"
      >Drill yourself</RouterLink
    >
  </div>
  <label class="labelled screen"
    ><span class="small">Look for a cause, a product family, a word</span
    ><InputText id="guide-find" v-model="words" autocomplete="off" class="find"
  /></label>
  <p v-if="groups.length === 0" class="card" aria-live="polite">No page holds all of these words.</p>
  <section v-for="g in groups" :key="g.part" class="card" :aria-labelledby="`guide-${g.part}`">
    <h2 :id="`guide-${g.part}`">{{ g.title }}</h2>
    <p class="quiet small">{{ g.says }}</p>
    <ul class="entries">
      <li v-for="e in g.entries" :key="e.id">
        <RouterLink :to="guidePlace(e)" :data-guide="`${e.part}/${e.id}`">{{ e.title }}</RouterLink>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.find {
  max-width: 24rem;
}
.entries {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
  gap: 0 var(--space-4);
}
.entries a {
  display: flex;
  align-items: center;
  min-height: 40px;
}
@media print {
  .screen {
    display: none;
  }
}
</style>
