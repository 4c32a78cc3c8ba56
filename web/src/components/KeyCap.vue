<script setup lang="ts">
/** A key that does the same as the control it stands in. */
defineProps<{ k: string }>();
</script>

<template>
  <kbd class="figures" aria-hidden="true">{{ k }}</kbd>
</template>

<style scoped>
kbd {
  display: inline-block;
  min-width: 1.5em;
  padding: 0 0.35em;
  border: 1px solid currentcolor;
  border-radius: 4px;
  font-size: 0.8em;
  line-height: 1.5;
  text-align: center;
}
</style>
