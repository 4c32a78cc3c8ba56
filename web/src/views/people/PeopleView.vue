<script setup lang="ts">
import Button from 'primevue/button';
import { whenever } from '@vueuse/core';
import { computed, reactive, ref } from 'vue';
import { accessApi } from '../../api/access';
import { useSession } from '../../stores/session';
import CalendarCard from './CalendarCard.vue';
import DeedsCard from './DeedsCard.vue';
import DevicesCard from './DevicesCard.vue';
import PeopleCard from './PeopleCard.vue';
import SecureCard from './SecureCard.vue';
import TokensCard from './TokensCard.vue';

/** Who works here, at which devices, and who did what. */
const session = useSession();
const onNetwork = computed(() => session.who?.mode === 'people');
/** What was read so far: what stands below it comes then, and nothing moves. */
const there = reactive({ people: false, tokens: false, devices: false, calendar: false });
const second = ref(false);
// Once it is there it stays: whoever says that they are a lead is shown tokens then too.
whenever(
  () => there.people && (there.tokens || !session.isLead),
  () => {
    second.value = true;
  },
  { once: true },
);
const MODES = {
  local: 'This studio is open on its own computer alone. Choose who you are; it is written down as named, not proven.',
  open: 'This studio is open to its whole network: whoever reaches it may read and write everything.',
  people: 'Everybody signs in. What is done is written down under who did it.',
} as const;
async function signOut(): Promise<void> {
  await accessApi.signOut();
  window.location.assign('/sign-in');
}
</script>

<template>
  <div class="stack">
    <div class="row spread">
      <div>
        <h1>People and devices</h1>
        <p v-if="session.who" class="quiet" data-test="mode">{{ MODES[session.who.mode] }}</p>
      </div>
      <Button v-if="onNetwork" label="Sign out" icon="pi pi-sign-out" severity="secondary" @click="signOut" />
    </div>
    <div class="columns">
      <div class="stack">
        <PeopleCard @there="there.people = true" />
        <TokensCard v-if="session.isLead" v-show="there.people" @there="there.tokens = true" />
      </div>
      <div v-show="second" class="stack">
        <DevicesCard v-if="onNetwork" @there="there.devices = true" />
        <SecureCard v-if="session.who && session.who.mode !== 'local'" />
        <CalendarCard v-show="there.devices || !onNetwork" @there="there.calendar = true" />
      </div>
    </div>
    <DeedsCard v-if="session.isLead" v-show="second && there.calendar" />
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.6fr) minmax(0, 1fr);
  gap: var(--space-5);
  align-items: start;
}
@media (max-width: 56.25em) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
