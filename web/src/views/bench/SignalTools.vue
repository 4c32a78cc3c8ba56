<script setup lang="ts">
import KeyCap from '../../components/KeyCap.vue';
import { onPlainKey } from '../../keys/keys';
import { useLight } from '../../stores/light';
import { useBenchContext } from '../../run/useBench';

/** How signals are given: by sound, spoken, and as the browser's notice; what the browser holds back is said. */
const { signals } = useBenchContext();
const sound = () => {
  signals.muted.value = !signals.muted.value;
};
const speak = () => {
  signals.speech.wanted.value = !signals.speech.wanted.value;
};
onPlainKey('q', sound);
onPlainKey('v', speak);
const { dim } = useLight();
const dimmed = () => {
  dim.value = !dim.value;
};
onPlainKey(',', dimmed);
</script>

<template>
  <button type="button" :aria-pressed="!signals.muted.value" @click="sound">
    <i class="pi" :class="signals.muted.value ? 'pi-volume-off' : 'pi-volume-up'" aria-hidden="true" />
    Sound <KeyCap k="q" />
  </button>
  <button v-if="signals.speech.can" type="button" :aria-pressed="signals.speech.wanted.value" @click="speak">
    <i class="pi pi-comment" aria-hidden="true" /> Speech
    <KeyCap k="v" />
  </button>
  <button
    v-if="signals.notice.isSupported.value && !signals.notice.permissionGranted.value"
    type="button"
    @click="signals.notice.ensurePermissions"
  >
    <i class="pi pi-bell" aria-hidden="true" /> Notices
  </button>
  <button type="button" :aria-pressed="dim" data-test="dim" @click="dimmed">
    <i class="pi" :class="dim ? 'pi-moon' : 'pi-sun'" aria-hidden="true" /> Dim room <KeyCap k="," />
  </button>
</template>
