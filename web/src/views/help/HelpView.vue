<script setup lang="ts">
import { PROBLEM_HELP, TERMS, termOfField } from '@warm-jar/core';
import InputText from 'primevue/inputtext';
import { computed, nextTick, onMounted, ref, watch } from 'vue';
import TermCard from '../../components/help/TermCard.vue';
import PrintButton from '../../components/PrintButton.vue';

/** Every word that is explained, and what each error means. */
const props = defineProps<{ term?: string }>();
/** The word that was asked for: by its own name, or by a field that it explains. */
const asked = computed(() => {
  const { term } = props;
  if (term === undefined || TERMS.some((t) => t.id === term)) return term;
  return termOfField(term)?.id ?? term;
});
const words = ref('');
const has = (...texts: string[]) => {
  const wanted = words.value.trim().toLowerCase();
  return wanted === '' || texts.some((text) => text.toLowerCase().includes(wanted));
};
const terms = computed(() => TERMS.filter((t) => has(t.term, t.says)));
const problems = computed(() => PROBLEM_HELP.filter((p) => has(p.title, p.says)));
async function show(): Promise<void> {
  await nextTick();
  if (asked.value === undefined) return;
  document.getElementById(`word-${asked.value}`)?.scrollIntoView({ block: 'start' });
}
onMounted(show);
watch(asked, show);
</script>

<template>
  <div class="stack">
    <div class="row spread">
      <h1>Words</h1>
      <div class="row">
        <RouterLink :to="{ name: 'start-page' }">One page to start with</RouterLink>
        <PrintButton />
      </div>
    </div>
    <label class="labelled screen"
      ><span class="small">Look for a word</span
      ><InputText id="help-find" v-model="words" autocomplete="off" class="find"
    /></label>
    <p v-if="terms.length + problems.length === 0" class="card">No word here is called so, or explained by it.</p>
    <section v-if="terms.length" aria-labelledby="words">
      <h2 id="words">Of the work and the cards</h2>
      <TermCard v-for="t in terms" :key="t.id" :term="t" :class="{ asked: t.id === asked }" />
    </section>
    <section v-if="problems.length" aria-labelledby="errors">
      <h2 id="errors">What errors mean</h2>
      <article
        v-for="p in problems"
        :id="`word-error-${p.code}`"
        :key="p.code"
        class="problem"
        :class="{ asked: `error-${p.code}` === asked }"
        :data-error="p.code"
      >
        <h3>{{ p.title }}</h3>
        <p>{{ p.says }}</p>
      </article>
    </section>
  </div>
</template>

<style scoped>
.find {
  max-width: 24rem;
}
.problem {
  padding: var(--space-3) 0;
  border-top: 1px solid var(--card-edge);
  max-width: 44rem;
}
.asked {
  border-left: 5px solid var(--part-a);
  padding-left: var(--space-3);
}
@media print {
  .screen {
    display: none;
  }
}
</style>
