<script setup lang="ts">
import { gearSchema, vesselStop } from '@warm-jar/core';
import { computed } from 'vue';
import { today } from '../../../components/words';
import { useUnits } from '../../../stores/units';
import type { Tree } from '../../../stores/draftPath';
import DevicePanel from './DevicePanel.vue';

// Every panel is handed the way to set a field; this one sets none.
defineOptions({ inheritAttrs: false });
/** The caution that belongs to this piece. */
const props = defineProps<{ document: Tree; shelved: unknown }>();
const units = useUnits();
const gear = computed(() => {
  const r = gearSchema.safeParse(props.document);
  return r.success ? r.data : null;
});
const stop = computed(() =>
  gear.value?.kind === 'pressure-vessel' ? vesselStop(gear.value, gear.value.ratedKPa, today(), units.say) : null,
);
const caution = computed(() => {
  switch (gear.value?.kind) {
    case 'pressure-vessel':
      return `Never above ${units.say(gear.value.ratedKPa, 'kPa')}, whatever a card asks. Only a rated vessel with a working relief valve, secured, bled to zero before the lid is opened; never home-made.`;
    case 'vacuum-chamber':
      return 'It can implode: shield it, and look it over before each use.';
    case 'lamp':
      return 'Shield eyes and skin.';
    default:
      return null;
  }
});
</script>

<template>
  <p v-if="stop" class="stop" role="alert">{{ stop.says }}</p>
  <p v-if="caution" class="caution" role="note">{{ caution }}</p>
  <DevicePanel v-if="gear?.device" :key="`${gear.code} ${gear.kind}`" :gear="gear" />
</template>

<style scoped>
.caution {
  background: var(--caution-ground);
  border-left: 5px solid var(--caution-edge);
  border-radius: 4px;
  padding: var(--space-3);
}
.stop {
  background: var(--outside-ground);
  color: var(--outside);
  border-radius: 4px;
  padding: var(--space-3);
  font-weight: 700;
}
</style>
