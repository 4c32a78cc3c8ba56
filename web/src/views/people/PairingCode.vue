<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core';
import Button from 'primevue/button';
import { computed, ref } from 'vue';
import QrCode from '../../components/QrCode.vue';
import { useLive } from '../../stores/live';
import { leftWords, pairingAddress, spaced } from './pairingWords';

/** A code to be read by another device's camera, or typed there, for as long as it is good. */
const props = defineProps<{ code: string; until: string; address: string | null }>();
const emit = defineEmits<{ over: [] }>();
/** How long a code is good, ms. */
const PAIRING_MS = 5 * 60_000;
const live = useLive();
const left = ref(Infinity);
const address = computed(() => pairingAddress(props.address ?? window.location.origin, props.code));
const { pause } = useIntervalFn(
  () => {
    // The screen's clock follows the server's by a second or so: never more than was given.
    left.value = Math.min(PAIRING_MS, Date.parse(props.until) - live.exactMs());
    if (left.value > 0) return;
    pause();
    emit('over');
  },
  1_000,
  { immediateCallback: true },
);
</script>

<template>
  <div class="pairing" data-test="pairing">
    <QrCode :text="address" :label="`Code to sign a device in: ${spaced(code)}`" class="code" />
    <div class="stack">
      <p>Point the device's camera at it, and open what it shows.</p>
      <p class="small">
        Or open <span class="figures">{{ address.split('#')[0] }}</span> there, and type
      </p>
      <p class="figures big" data-test="pairing-code">{{ spaced(code) }}</p>
      <p class="small quiet" role="timer">Good once, {{ leftWords(left) }}.</p>
      <Button label="Done" severity="secondary" @click="emit('over')" />
    </div>
  </div>
</template>

<style scoped>
.pairing {
  display: grid;
  grid-template-columns: 9.375rem minmax(0, 1fr);
  overflow-wrap: anywhere;
  gap: var(--space-4);
  align-items: start;
}
.code {
  width: 9.375rem;
  height: 150px;
}
.big {
  font-size: 1.5rem;
  font-weight: 700;
  overflow-wrap: anywhere;
}
</style>
