<script setup lang="ts">
/** How many measured fields stand outside the card, in a word. */
defineProps<{ outside: number }>();
</script>

<template>
  <span class="figures" :class="{ out: outside > 0 }"
    >{{ outside === 0 ? 'none' : outside }}<span class="visually-hidden"> outside the card</span></span
  >
</template>

<style scoped>
.out {
  color: var(--outside);
  font-weight: 700;
}
</style>
