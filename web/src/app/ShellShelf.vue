<script setup lang="ts">
import JarList from './JarList.vue';
</script>

<template>
  <nav class="shelf" aria-label="Batches in work"><JarList /></nav>
</template>

<style scoped>
.shelf {
  grid-column: 1;
  grid-row: 1;
  background: var(--shelf);
  color: var(--shelf-text);
  position: sticky;
  top: 0;
  height: 100vh;
  overflow-y: auto;
  display: flex;
  flex-direction: column;
  scrollbar-width: thin;
}
@media print {
  .shelf {
    display: none;
  }
}
</style>
