<script setup lang="ts">
import Button from 'primevue/button';

/** Something failed: what, and the way on. */
defineProps<{ says: string; again?: boolean }>();
const emit = defineEmits<{ again: [] }>();
</script>

<template>
  <div class="problem" role="alert">
    <i class="pi pi-times-circle" aria-hidden="true" />
    <p>{{ says }}</p>
    <Button v-if="again" label="Try again" severity="secondary" @click="emit('again')" />
  </div>
</template>

<style scoped>
.problem {
  display: flex;
  align-items: center;
  gap: var(--space-3);
  background: var(--outside-ground);
  color: var(--outside);
  border-radius: var(--radius);
  padding: var(--space-3) var(--space-4);
  font-weight: 600;
}
</style>
