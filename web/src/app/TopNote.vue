<script setup lang="ts">
import Button from 'primevue/button';

/** Said above every screen until something is done about it. */
defineProps<{ act: string }>();
const emit = defineEmits<{ act: [] }>();
</script>

<template>
  <div class="note" role="alert">
    <p><slot /></p>
    <Button :label="act" class="act" @click="emit('act')" />
  </div>
</template>

<style scoped>
.note {
  position: sticky;
  top: 0;
  z-index: 5;
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: var(--space-4);
  padding: var(--space-3) var(--space-5);
  background: var(--outside-ground);
  color: var(--outside);
}
.act {
  flex: none;
}
</style>
