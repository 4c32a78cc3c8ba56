<script setup lang="ts">
import Button from 'primevue/button';
import { computed, watch } from 'vue';
import { useRoute } from 'vue-router';
import { useOpening } from '../stores/opening';
import { openingSteps } from '../stores/openingSteps';
import PageStrip from '../components/PageStrip.vue';

/** While a studio is being opened: how far it is, and what comes next, on every page. */
const opening = useOpening();
const route = useRoute();
const shown = computed(() => opening.isBegun && route.name !== 'opening' && route.meta['bare'] !== true);
// What was done on a page is known when it is left.
watch(
  () => route.fullPath,
  () => {
    if (opening.isBegun) void opening.load();
  },
  { immediate: true },
);
</script>

<template>
  <PageStrip v-if="shown" label="Opening the studio" data-test="opening-strip">
    <span
      ><strong>Opening the studio</strong>, {{ opening.done }} of {{ openingSteps.length }} done<template
        v-if="opening.next"
        >. Next: {{ opening.next.title.toLowerCase() }}.</template
      ><template v-else>.</template></span
    >
    <span class="row">
      <RouterLink v-if="opening.next" :to="{ name: 'opening', params: { step: opening.next.step } }">Go on</RouterLink>
      <Button :label="opening.next ? 'Leave it' : 'Done'" severity="secondary" text size="small" @click="opening.end" />
    </span>
  </PageStrip>
</template>
