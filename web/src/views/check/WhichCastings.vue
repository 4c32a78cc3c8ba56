<script setup lang="ts">
import { castingGrade, castingsOf, looksAt, type Batch } from '@warm-jar/core';
import { computed } from 'vue';

/** Which castings are looked at: all the same with one tap, or some of them. */
const props = defineProps<{ batch: Batch; named: readonly string[] }>();
const emit = defineEmits<{ change: [castings: string[]] }>();
const items = computed(() =>
  castingsOf(props.batch).map((k) => ({
    id: k.id,
    where: [k.mould?.code ?? props.batch.mould?.code, k.mould?.cavity].filter((v) => v != null).join(' / '),
    grade: castingGrade(props.batch, k.id),
    looks: looksAt(props.batch, k.id).length,
  })),
);
const toggle = (id: string) => {
  const others = props.named.filter((other) => other !== id);
  emit('change', others.length < props.named.length ? others : [...props.named, id]);
};
</script>

<template>
  <div class="which" role="group" aria-label="Which castings">
    <button
      type="button"
      class="tile all"
      :aria-pressed="named.length === 0"
      data-casting="all"
      @click="emit('change', [])"
    >
      <strong>All the same</strong><span class="small quiet">{{ items.length }} castings</span>
    </button>
    <button
      v-for="k in items"
      :key="k.id"
      type="button"
      class="tile"
      :aria-pressed="named.includes(k.id)"
      :data-casting="k.id"
      @click="toggle(k.id)"
    >
      <strong class="figures">{{ k.id }}</strong><span class="small quiet">{{ k.where }}</span
      ><span class="small quiet">{{ k.grade ?? (k.looks ? 'not graded' : 'not looked at') }}</span>
    </button>
  </div>
</template>

<style scoped>
.which {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(6.5rem, 100%), 1fr));
  gap: var(--space-2);
}
.tile {
  display: flex;
  flex-direction: column;
  font: inherit;
  color: inherit;
  text-align: left;
  background: var(--card);
  border: 2px solid var(--card-edge);
  border-radius: var(--radius);
  padding: 8px;
  min-height: 64px;
  cursor: pointer;
  line-height: 1.25;
}
.tile[aria-pressed='true'] {
  border-color: var(--action);
  background: var(--bottle-50);
  box-shadow: inset 0 0 0 2px var(--action);
}
</style>
