<script setup lang="ts">
import { byText, sayMinutes, type DrillView } from '@warm-jar/core';
import { computed } from 'vue';

/** What can be asked and tried, what it costs, and what came of it. */
const props = defineProps<{ drill: DrillView; busy: boolean }>();
const emit = defineEmits<{ ask: [id: string] }>();
const offered = computed(() =>
  props.drill.asks.filter((a) => a.kind !== 'again').sort((a, b) => a.minutes - b.minutes || byText(a.label, b.label)),
);
</script>

<template>
  <section class="card asks" aria-labelledby="drill-asks">
    <h2 id="drill-asks">Ask, and it costs</h2>
    <dl v-if="drill.told.length" class="told" aria-live="polite">
      <div v-for="t in drill.told" :key="t.id" :data-told="t.id">
        <dt>
          {{ t.label }} <span class="quiet small">{{ sayMinutes(t.minutes) }}</span>
        </dt>
        <dd class="figures">{{ t.says }}</dd>
      </div>
    </dl>
    <ul v-if="offered.length">
      <li v-for="a in offered" :key="a.id">
        <button type="button" :disabled="busy" :data-ask="a.id" @click="emit('ask', a.id)">
          <strong
            >{{ a.label }} <span class="cost figures">{{ sayMinutes(a.minutes) }}</span></strong
          >
          <span class="small quiet">{{ a.how ?? a.why }}</span>
          <span v-if="a.caution" class="small caution"
            ><i class="pi pi-exclamation-triangle" aria-hidden="true" /> {{ a.caution }}</span
          >
        </button>
      </li>
    </ul>
    <p v-else class="quiet small">Nothing is left to ask.</p>
  </section>
</template>

<style scoped>
.asks {
  display: grid;
  gap: var(--space-3);
}
.told {
  display: grid;
  gap: var(--space-2);
}
.told div {
  border-left: 4px solid var(--part-a);
  padding-left: var(--space-3);
}
.told dd {
  font-weight: 650;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(13rem, 100%), 1fr));
  gap: var(--space-2);
}
button {
  display: flex;
  flex-direction: column;
  gap: 2px;
  width: 100%;
  height: 100%;
  min-height: var(--target);
  padding: var(--space-2) var(--space-3);
  font: inherit;
  line-height: 1.25;
  text-align: left;
  color: inherit;
  background: var(--card);
  border: 1px solid var(--field-edge);
  border-radius: var(--radius);
  cursor: pointer;
}
button:hover {
  border-color: var(--action);
}
.cost {
  color: var(--action);
  padding-left: 0.4em;
  white-space: nowrap;
}
.caution {
  color: var(--amber-700);
  font-weight: 600;
}
</style>
