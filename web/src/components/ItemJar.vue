<script setup lang="ts">
import { computed } from 'vue';
import { hasSet, potLifeLeft, type WorkItem } from '../stores/urgency';
import { useWork } from '../stores/work';
import JarGlass from './JarGlass.vue';
import { jarContents } from './jarContents';

/** The jar of a batch in work: what was weighed in, and how much of its pot life is left as the clock runs. */
const props = defineProps<{ item: WorkItem; label: string; onDark?: boolean }>();
const work = useWork();
const layers = computed(() => jarContents(props.item.product, props.item.batch));
/** Steps of a level that an eye could tell from each other. */
const STEPS = 500;
const left = computed(() => {
  const share = potLifeLeft(props.item, work.nowMs);
  return share === null ? null : Math.round(share * STEPS) / STEPS;
});
const set = computed(() => hasSet(props.item, work.nowMs));
</script>

<template>
  <JarGlass :layers="layers" :left="left" :set="set" :label="label" :on-dark="onDark" />
</template>
