<script setup lang="ts">
import Button from 'primevue/button';
import ProgressBar from 'primevue/progressbar';

/** The log is being worked through: how far, and a way out. */
defineProps<{ share: number; what: string }>();
const emit = defineEmits<{ stop: [] }>();
</script>

<template>
  <div class="working card" role="status">
    <span>{{ what }}</span><ProgressBar :value="Math.round(share * 100)" class="bar" aria-label="Progress" /><Button
      label="Stop"
      severity="secondary"
      @click="emit('stop')"
    />
  </div>
</template>

<style scoped>
.working {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: var(--space-4);
  align-items: center;
}
.bar {
  height: 1.2rem;
}
</style>
