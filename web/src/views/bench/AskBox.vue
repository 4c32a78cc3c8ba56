<script setup lang="ts">
import DoButton from './DoButton.vue';

/** A figure that is hardly meant: asked about before it is taken. Enter does not answer, so that no second press does. */
defineProps<{ what: string; yes: string }>();
const emit = defineEmits<{ yes: []; no: [] }>();
</script>

<template>
  <div class="ask" role="group" aria-label="Is that right?" data-test="ask">
    <p><strong>Is that right?</strong> {{ what }}</p>
    <div class="row">
      <DoButton :words="yes" k="y" @do="emit('yes')" />
      <DoButton words="No, go on" k="Escape" quiet @do="emit('no')" />
    </div>
  </div>
</template>

<style scoped>
.ask {
  border: 3px solid var(--near);
  border-radius: var(--radius);
  padding: var(--space-4);
  display: grid;
  gap: var(--space-3);
  font-size: 1.15rem;
}
</style>
