<script setup lang="ts">
/** Stands beside a figure that a stand-in made up. */
defineProps<{ standIn: boolean }>();
</script>

<template>
  <span v-if="standIn" class="mark small">simulated</span>
</template>

<style scoped>
.mark {
  border: 1px dashed currentcolor;
  border-radius: 4px;
  padding: 0 4px;
  margin-left: 4px;
  font-weight: 400;
  white-space: nowrap;
}
</style>
