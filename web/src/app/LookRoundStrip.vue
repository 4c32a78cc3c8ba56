<script setup lang="ts">
import Button from 'primevue/button';
import { ref } from 'vue';
import { LOOKING_ROUND } from '../api/base';
import { lookRoundApi } from '../api/lookRound';
import PageStrip from '../components/PageStrip.vue';

/** In the demo studio beside the studio's own: that it is that, and the way back. */
const busy = ref(false);
async function leave(): Promise<void> {
  busy.value = true;
  // Gone already, it need not be thrown away.
  await lookRoundApi.end().catch(() => undefined);
  window.location.assign('/');
}
</script>

<template>
  <PageStrip v-if="LOOKING_ROUND" label="Looking round" data-test="look-round">
    <span><strong>You are looking round a made-up studio.</strong> Try anything: nothing of it is kept.</span>
    <Button label="Back to my own studio" :loading="busy" size="small" @click="leave" />
  </PageStrip>
</template>
