<script setup lang="ts">
import { useBenchContext } from '../../run/useBench';

/** A browser lets nothing sound before the page was touched: that is told, not swallowed. */
const { signals } = useBenchContext();
</script>

<template>
  <button
    v-if="signals.heldBack.value && !signals.muted.value"
    type="button"
    class="held"
    data-test="held-back"
    @click="signals.wake"
  >
    <i class="pi pi-volume-off" aria-hidden="true" /> Sound is held back: touch
  </button>
</template>

<style scoped>
.held.held {
  background: var(--amber-400);
  color: var(--on-amber);
  font-weight: 700;
}
</style>
