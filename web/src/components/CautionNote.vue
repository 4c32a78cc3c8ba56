<script setup lang="ts">
import { cautionsFor, type Act, type Product, type Stage } from '@warm-jar/core';
import { computed } from 'vue';

/** What can hurt someone at this step. It defers to the product's safety data sheet. */
const props = defineProps<{
  product: Product | null;
  stage: Stage;
  act?: Act;
  /** At the bench and in a long form, where a stray tap or a stop more of the keyboard is in the way. */
  stays?: boolean;
}>();
const cautions = computed(() => (props.product ? cautionsFor(props.product, props.stage, props.act) : []));
</script>

<template>
  <div v-if="cautions.length" class="caution small" role="note">
    <i class="pi pi-exclamation-triangle" aria-hidden="true" />
    <p v-for="c in cautions" :key="c.code">{{ c.says }}</p>
    <p v-if="!stays && product">
      <RouterLink :to="{ name: 'guide', params: { part: 'families', id: product.family } }"
        >What this family does and never does</RouterLink
      >
    </p>
  </div>
</template>

<style scoped>
.caution {
  position: relative;
  background: var(--caution-ground);
  border-left: 5px solid var(--caution-edge);
  border-radius: 4px;
  padding: var(--space-2) var(--space-3) var(--space-2) 36px;
}
.caution i {
  position: absolute;
  left: 12px;
  top: 10px;
  color: var(--amber-700);
}
</style>
