<script setup lang="ts">
import { GUIDE_PARTS, type GuidePart } from '@warm-jar/core';
import { computed } from 'vue';
import PrintButton from '../../components/PrintButton.vue';
import CauseGuide from './CauseGuide.vue';
import FamilyGuide from './FamilyGuide.vue';
import GuideIndex from './GuideIndex.vue';
import SchoolGuide from './SchoolGuide.vue';

/** The guide: what every cause, family, school and word means, once, and one page each. */
const props = defineProps<{ part?: string; id?: string }>();
const part = computed(() => GUIDE_PARTS.find((p): p is GuidePart => p === props.part));
</script>

<template>
  <div class="stack guide">
    <div class="row spread">
      <nav aria-label="Guide">
        <RouterLink v-if="id" :to="{ name: 'guide' }">All of the guide</RouterLink>
      </nav>
      <PrintButton v-if="id" />
    </div>
    <CauseGuide v-if="part === 'causes' && id" :id="id" :key="id" />
    <FamilyGuide v-else-if="part === 'families' && id" :id="id" />
    <SchoolGuide v-else-if="part === 'schools' && id" :id="id" :key="id" />
    <GuideIndex v-else />
  </div>
</template>

<style scoped>
.guide {
  max-width: 66rem;
}
.guide a {
  text-underline-offset: 3px;
}
nav a {
  display: inline-flex;
  align-items: center;
  gap: 4px;
  min-height: var(--target);
}
@media print {
  nav {
    display: none;
  }
}
</style>
