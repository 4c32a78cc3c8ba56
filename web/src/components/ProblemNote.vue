<script setup lang="ts">
import Button from 'primevue/button';
import { computed } from 'vue';
import { helpOfMessage } from '../api/problemCodes';

/** Something failed: what, and the way on. */
const props = defineProps<{ says: string; again?: boolean }>();
const help = computed(() => helpOfMessage(props.says));
const emit = defineEmits<{ again: [] }>();
</script>

<template>
  <div class="problem" role="alert">
    <i class="pi pi-times-circle" aria-hidden="true" />
    <p>
      {{ says }}
      <RouterLink v-if="help" :to="{ name: 'help', params: { term: help } }" class="means">What this means</RouterLink>
    </p>
    <Button v-if="again" label="Try again" severity="secondary" @click="emit('again')" />
  </div>
</template>

<style scoped>
.means {
  color: inherit;
  white-space: nowrap;
}
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
