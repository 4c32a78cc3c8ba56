<script setup lang="ts">
import SpokenWords from '../../components/SpokenWords.vue';
import { spokenNumber } from '../../components/spokenWords';

/** The number of a step: the biggest thing on the screen. */
defineProps<{ label: string; value: string; tone?: 'plain' | 'over' | 'there' }>();
</script>

<template>
  <div class="big" :class="tone ?? 'plain'">
    <span class="label">{{ label }}</span><strong class="figures" :class="{ long: value.length > 6 }">{{
      value
    }}</strong>
    <SpokenWords :words="spokenNumber(label, value)" />
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
  font-size: clamp(3.4rem, 10.5vw, 8.4rem);
  line-height: 1;
  font-weight: 780;
  letter-spacing: -0.02em;
  white-space: nowrap;
}
@media screen and (max-width: 49.99em) {
  /* As wide as the page holds: eight signs of the longest clock. */
  strong {
    font-size: min(21vw, 6.2rem);
  }
  strong.long {
    font-size: min(14vw, 6.2rem);
  }
}
.over strong {
  color: var(--outside);
}
.there strong {
  color: var(--action);
}
</style>
