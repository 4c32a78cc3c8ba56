<script setup lang="ts">
import { sayMinutes, type DrillAsk, type DrillView } from '@warm-jar/core';
import { computed } from 'vue';
import LimitStrip from '../../components/LimitStrip.vue';

/** What was written down, against the card; each figure can be had read again. */
const props = defineProps<{ drill: DrillView; busy: boolean }>();
const emit = defineEmits<{ ask: [id: string] }>();
/** Worked-out limits, and the field that is read again for them. */
const STANDS_FOR: Readonly<Record<string, string>> = { 'mix.ratioErrorPct': 'mix.amountB' };
const again = computed(
  () => new Map(props.drill.asks.flatMap((a): [string, DrillAsk][] => (a.kind === 'again' ? [[a.field!, a]] : []))),
);
const againOf = (field: string) => again.value.get(STANDS_FOR[field] ?? field);
/** What is outside first: there the eye goes anyway. */
const limits = computed(() => {
  const rank = (state: string) => ['below', 'above', 'near', 'inside', 'not-recorded'].indexOf(state);
  return [...props.drill.limits].sort((a, b) => rank(a.state) - rank(b.state));
});
</script>

<template>
  <section class="card record" aria-labelledby="drill-record">
    <h2 id="drill-record">The record against the card</h2>
    <div v-for="r in limits" :key="r.field" class="line">
      <LimitStrip :reading="r" stays />
      <button
        v-if="againOf(r.field)"
        type="button"
        class="again small"
        :disabled="busy"
        :data-again="r.field"
        @click="emit('ask', againOf(r.field)!.id)"
      >
        Read again<span class="visually-hidden">: {{ againOf(r.field)!.label }}</span>
        <span class="quiet">{{ sayMinutes(againOf(r.field)!.minutes) }}</span>
      </button>
    </div>
    <details v-if="drill.facts.length">
      <summary>What else was written down ({{ drill.facts.length }})</summary>
      <dl>
        <div v-for="f in drill.facts" :key="f.field" class="fact">
          <dt class="quiet">{{ f.label }}</dt>
          <dd class="figures">{{ f.says }}</dd>
          <dd v-if="againOf(f.field)">
            <button
              type="button"
              class="again small"
              :disabled="busy"
              :data-again="f.field"
              @click="emit('ask', againOf(f.field)!.id)"
            >
              Read again<span class="visually-hidden">: {{ f.label }}</span>
            </button>
          </dd>
        </div>
      </dl>
    </details>
  </section>
</template>

<style scoped>
.record {
  display: grid;
  gap: var(--space-2);
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 5.2rem;
  gap: var(--space-2);
  align-items: center;
}
.line :deep(.strip) {
  grid-template-columns: minmax(5rem, 9rem) minmax(4rem, 1fr) minmax(5.6rem, 7rem);
}
.again {
  display: inline-flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  min-height: var(--target);
  padding: 2px 6px;
  font: inherit;
  font-size: 0.8rem;
  line-height: 1.15;
  color: var(--action);
  background: none;
  border: 1px solid transparent;
  border-radius: var(--radius);
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
}
.again .quiet {
  text-decoration: none;
}
summary {
  display: list-item;
  min-height: var(--target);
  padding-top: 12px;
  cursor: pointer;
}
.fact {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) 5.2rem;
  gap: var(--space-2);
  align-items: center;
  min-height: 32px;
}
@media (max-width: 40em) {
  .line :deep(.strip) {
    grid-template-columns: minmax(0, 1fr);
    gap: 2px;
  }
}
</style>
