<script setup lang="ts">
import { keepEnter } from '../../keys/keys';
import Button from 'primevue/button';
import { computed } from 'vue';
import FieldEntry from '../../components/form/FieldEntry.vue';
import KeyCap from '../../components/KeyCap.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { cardSections } from './cardFields';
import { useCardForm } from './useCardForm';

/** A card from its data sheet, figure by figure; what stays empty is "not stated", and its price is told. */
const props = defineProps<{ slug?: string }>();
const { form, family, gaps, readable, conflicts, computedRatio, problem, saving, ready, save, takeRatio } = useCardForm(
  props.slug ?? null,
);
const gapsTitle = computed(() => {
  if (!readable.value) return 'What is usual';
  return gaps.value.length === 0 ? 'Nothing usual is missing' : `${gaps.value.length} usual figures are missing`;
});
const sections = computed(() => cardSections(family.value, !props.slug));
</script>

<template>
  <div class="page">
    <form v-if="ready" class="stack" novalidate @submit.prevent="save" @keydown.enter="keepEnter">
      <div>
        <h1>{{ slug ? `New revision of ${String(form.value('name') ?? slug)}` : 'Card by hand' }}</h1>
        <p class="quiet">
          Type what the sheet says, in its own figures. Leave the rest empty: it is kept as not stated, never
          guessed.<template v-if="slug"> Batches keep the revision they were made with.</template
          ><template v-else>
            <RouterLink :to="{ name: 'sheet-card' }">Read them from a PDF or pasted text</RouterLink> first.</template
          >
        </p>
      </div>
      <ProblemNote v-if="problem" :says="problem" />
      <section v-for="s in sections" :key="s.title" class="card" :aria-label="s.title">
        <h2>{{ s.title }}</h2>
        <p v-if="s.hint" class="small quiet">{{ s.hint }}</p>
        <div class="fields" :class="{ pairs: s.pairs }">
          <div v-for="f in s.fields" :key="f.path" class="cell">
            <span class="small">{{ f.label }}</span><FieldEntry :field="f" :path="f.path" />
          </div>
        </div>
        <p v-if="s.title === 'Ratio' && computedRatio" class="computed">
          By the densities the ratio by {{ computedRatio.what }} is
          <strong class="figures">{{ computedRatio.words }}</strong> (computed).
          <Button
            :label="`Take it as the ratio by ${computedRatio.what}`"
            severity="secondary"
            text
            @click="takeRatio"
          />
        </p>
      </section>
      <div class="row">
        <Button type="submit" :label="slug ? 'Save as the next revision' : 'Save the card'" :loading="saving" /><span
          class="quiet small"
          ><KeyCap k="Ctrl" /> <KeyCap k="Enter"
        /></span>
        <Button v-if="form.changed.value" label="Undo my changes" severity="secondary" text @click="form.drop" />
      </div>
    </form>
    <aside v-if="ready" class="card stack side" aria-label="What this card costs">
      <div v-if="conflicts.length">
        <h2>Contradictions</h2>
        <ul>
          <li v-for="c in conflicts" :key="c.field + c.says" class="bad">{{ c.says }}</li>
        </ul>
      </div>
      <div>
        <h2>{{ gapsTitle }}</h2>
        <p v-if="!readable" class="small quiet">
          {{ family === null ? 'Choose the family: what is usual depends on it.' : 'Mend the marked fields first.' }}
        </p>
        <ul class="small">
          <li v-for="g in gaps" :key="g.field">{{ g.costs }}</li>
        </ul>
      </div>
    </aside>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 18.125rem;
  gap: var(--space-5);
  align-items: start;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr));
  gap: var(--space-3) var(--space-4);
  padding-top: var(--space-2);
}

.pairs {
  grid-template-columns: repeat(2, minmax(0, 17rem));
}
.cell {
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-width: 0;
}
.side {
  position: sticky;
  top: var(--space-4);
  max-height: calc(100vh - 32px);
  overflow-y: auto;
}
.side li {
  padding: 4px 0;
  border-top: 1px solid var(--card-edge);
}
.bad {
  color: var(--outside);
  font-weight: 650;
}
.computed {
  padding-top: var(--space-2);
}
@media (max-width: 62.5em) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
  .side {
    position: static;
    max-height: none;
    order: -1;
  }
}
</style>
