<script setup lang="ts">
/** The number of a step: the biggest thing on the screen. */
defineProps<{ label: string; value: string; tone?: 'plain' | 'over' | 'there' }>();
</script>

<template>
  <div class="big" :class="tone ?? 'plain'">
    <span class="label">{{ label }}</span><strong class="figures">{{ value }}</strong>
  </div>
</template>

<style scoped>
.big {
  display: grid;
}
.label {
  font-size: 1.15rem;
  color: var(--text-quiet);
}
strong {
  font-size: clamp(4rem, 10.5vw, 8.4rem);
  line-height: 1;
  font-weight: 780;
  letter-spacing: -0.02em;
  white-space: nowrap;
}
.over strong {
  color: var(--outside);
}
.there strong {
  color: var(--action);
}
</style>
