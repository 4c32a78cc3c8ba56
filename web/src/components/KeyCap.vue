<script setup lang="ts">
import { computed } from 'vue';
import { isOneSign, keyMode } from '../keys/keyMode';
import { keyWorks } from '../keys/keys';

/** A key that does the same as the control it stands in; drawn only where it works. */
const props = defineProps<{ k: string; always?: boolean }>();
const shown = computed(() => props.always || keyWorks(props.k));
const withAlt = computed(() => keyMode.value === 'alt' && isOneSign(props.k));
</script>

<template>
  <kbd v-if="shown" class="figures" :class="{ sign: isOneSign(k) }" aria-hidden="true">{{
    withAlt ? `Alt ${k}` : k
  }}</kbd>
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
/* A phone has no keys. */
@media screen and (max-width: 49.99em) and (hover: none) and (pointer: coarse) {
  kbd {
    display: none;
  }
}
</style>
