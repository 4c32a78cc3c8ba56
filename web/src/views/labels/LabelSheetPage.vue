<script setup lang="ts">
import { computed } from 'vue';
import QrCode from '../../components/QrCode.vue';
import type { LabelSheet, PlacedLabel } from './labelSheets';

/** One sheet of labels, each with the code that opens what it names. */
const props = defineProps<{ sheet: LabelSheet; labels: readonly PlacedLabel[]; origin: string }>();
const mm = (value: number) => `${value}mm`;
const paper = computed(() => ({ width: mm(props.sheet.paper[0]), height: mm(props.sheet.paper[1]) }));
const placed = computed(() =>
  props.labels.map((p) => ({
    ...p.label,
    style: {
      left: mm(p.left),
      top: mm(p.top),
      width: mm(props.sheet.label[0]),
      height: mm(props.sheet.label[1]),
    },
  })),
);
</script>

<template>
  <section class="paper" :style="paper" aria-label="A sheet of labels" tabindex="0">
    <article v-for="l in placed" :key="l.id" class="label" :style="l.style" :data-label="l.title">
      <QrCode class="qr" :text="`${origin}${l.path}`" :label="`Code of ${l.title}`" />
      <div class="words">
        <p class="figures title">{{ l.title }}</p>
        <p v-for="line in l.lines" :key="line">{{ line }}</p>
      </div>
    </article>
  </section>
</template>

<style scoped>
@page sheet-of-labels {
  margin: 0;
}
.paper {
  position: relative;
  background: #fff;
  color: #000;
  border: 1px solid var(--card-edge);
  margin-bottom: var(--space-4);
  page: sheet-of-labels;
  break-after: page;
}
.label {
  position: absolute;
  display: flex;
  align-items: center;
  gap: 1.5mm;
  padding: 1.5mm 2mm;
  overflow: hidden;
  outline: 1px dashed #bbb;
  font-size: 8.5pt;
  line-height: 1.15;
}
.qr {
  height: 100%;
  max-width: 45%;
  flex: none;
}
.title {
  font-size: 13pt;
  font-weight: 800;
}
.words {
  min-width: 0;
  overflow-wrap: anywhere;
}
@media print {
  .paper {
    border: 0;
    margin: 0;
  }
  .label {
    outline: 0;
  }
}
</style>
