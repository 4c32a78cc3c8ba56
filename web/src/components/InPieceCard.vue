<script setup lang="ts">
import type { InPiece } from '@warm-jar/core';
import { toRef, watch } from 'vue';
import { piecesApi } from '../api/pieces';
import { useLoaded } from './useLoaded';

/** Which piece a batch lies in, and what lies below and above it. */
const props = defineProps<{ code: string }>();
const { value, load } = useLoaded((): Promise<InPiece[]> => piecesApi.placesOf(props.code), '', { now: false });
watch(toRef(props, 'code'), () => void load(), { immediate: true });
</script>

<template>
  <section v-for="p in value ?? []" :key="p.piece" class="card in-piece" data-test="in-piece">
    <p>
      Layer {{ p.layer }} of
      <RouterLink :to="{ name: 'piece', params: { code: p.piece } }"
        ><span class="figures">{{ p.piece }}</span> {{ p.name }}</RouterLink
      >.
      <template v-if="p.below">
        Below lies
        <RouterLink class="figures" :to="{ name: 'batch', params: { code: p.below } }">{{
          p.below
        }}</RouterLink>.</template
      ><template v-if="p.above">
        Above lies
        <RouterLink class="figures" :to="{ name: 'batch', params: { code: p.above } }">{{
          p.above
        }}</RouterLink>.</template
      >
    </p>
  </section>
</template>

<style scoped>
.in-piece {
  border-left: 6px solid var(--part-a);
  padding: var(--space-2) var(--space-4);
}
</style>
