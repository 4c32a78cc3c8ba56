<script setup lang="ts">
/** A strip above a page that says where one is, with a way on. */
defineProps<{ label: string }>();
</script>

<template>
  <aside class="page-strip" :aria-label="label"><slot /></aside>
</template>

<style scoped>
.page-strip {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 0 var(--space-4);
  min-height: var(--target);
  padding: 0 var(--space-5);
  background: var(--caution-ground);
  border-bottom: 1px solid var(--caution-edge);
}
@media print {
  .page-strip {
    display: none;
  }
}
</style>
