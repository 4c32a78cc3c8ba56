<script setup lang="ts">
import { computed } from 'vue';
import { codePath } from '../../components/codePath';

/** A label for mould, cup or casting, 100 by 60 mm, with the code that opens it. */
const props = defineProps<{
  title: string;
  product: string;
  from: string;
  address: string;
  says: readonly string[];
}>();
const qr = computed(() => codePath(props.address));
</script>

<template>
  <article class="label" :aria-label="`Label of ${title}`" :data-label="title">
    <svg
      class="qr"
      :viewBox="`-2 -2 ${qr.size + 4} ${qr.size + 4}`"
      role="img"
      :aria-label="`Code of ${address}`"
      shape-rendering="crispEdges"
    >
      <rect x="-2" y="-2" :width="qr.size + 4" :height="qr.size + 4" class="white" />
      <path :d="qr.d" />
    </svg>
    <div>
      <p class="code figures">{{ title }}</p>
      <p class="product">{{ product }}</p>
      <p v-if="from">{{ from }}</p>
      <p v-for="line in says.filter(Boolean)" :key="line" class="small">{{ line }}</p>
    </div>
  </article>
</template>

<style scoped>
@page label {
  size: 100mm 60mm;
  margin: 3mm;
}
.label {
  background: #fff;
  color: #000;
  border: 1px solid var(--card-edge);
  width: 94mm;
  height: 54mm;
  page: label;
  break-before: page;
  display: flex;
  gap: 4mm;
  align-items: center;
  padding: 2mm;
  overflow: hidden;
}
.qr {
  width: 42mm;
  height: 42mm;
  flex: none;
}
.white {
  fill: #fff;
}
.code {
  font-size: 20pt;
  font-weight: 800;
  line-height: 1;
}
.product {
  font-size: 12pt;
  font-weight: 700;
}
@media print {
  .label {
    border: 0;
    width: auto;
    padding: 0;
  }
}
</style>
