<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core';
import { ref, useTemplateRef } from 'vue';

/** A box in which a table scrolls sideways where the page is too narrow for it, with the keyboard too. */
defineProps<{ label: string }>();
const box = useTemplateRef<HTMLElement>('box');
const scrolls = ref(false);
const look = () => {
  scrolls.value = box.value !== null && box.value.scrollWidth > box.value.clientWidth + 1;
};
useResizeObserver(box, look);
</script>

<template>
  <div
    ref="box"
    class="table-box"
    :role="scrolls ? 'region' : undefined"
    :aria-label="scrolls ? `Table: ${label}` : undefined"
    :tabindex="scrolls ? 0 : undefined"
    @focusin="look"
  >
    <slot />
  </div>
</template>

<style scoped>
.table-box {
  position: relative;
  overflow-x: auto;
  max-width: 100%;
}
@media print {
  .table-box {
    overflow: visible;
  }
}
</style>
