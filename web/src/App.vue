<script setup lang="ts">
import Button from 'primevue/button';
import { defineAsyncComponent, onMounted, ref, watch, type Component } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import LookRoundStrip from './app/LookRoundStrip.vue';
import OpeningStrip from './app/OpeningStrip.vue';
import MissedNote from './app/MissedNote.vue';
import ReplacedNote from './app/ReplacedNote.vue';
import PhoneBar from './app/PhoneBar.vue';
import PhoneTop from './app/PhoneTop.vue';
import ShellShelf from './app/ShellShelf.vue';
import ShellTop from './app/ShellTop.vue';
import { breathe } from './app/breathe';
import { keepShell } from './app/keptShell';
import { opened } from './app/opened';
import { useIdle } from './components/useIdle';
import { useOncePart } from './app/missed';
import { useGlobalKeys } from './app/useGlobalKeys';
import { useHeldWords } from './app/useHeldWords';
import { useFocusKeeper } from './app/useFocusKeeper';
import { usePageFocus } from './app/usePageFocus';
import { InTurn } from './components/InTurn';
import { wholePart } from './components/laterPart';
import { usePhone } from './components/usePhone';
import { useProducts } from './stores/products';
import { useSession } from './stores/session';
import { useWork } from './stores/work';

// What nobody sees at first comes after the page.
const Speakers = defineAsyncComponent(() => import('./app/Speakers.vue'));
const find = () => import('./app/FindDialog.vue');
const keys = () => import('./app/HelpDialog.vue');
const drawers = () => import('./app/PhoneDrawers.vue');

const route = useRoute();
const router = useRouter();
const session = useSession();
const { keysOpen, findOpen } = useGlobalKeys();
usePageFocus();
useFocusKeeper();
const phone = usePhone();
const [jarsOpen, moreOpen] = [ref(false), ref(false)];
const isIdle = useIdle();
watch(isIdle, async () => {
  keepShell();
  // By the time that they are tapped the network may be gone. One after another: a tap in between does not wait.
  for (const part of [find, keys, ...(phone.value ? [drawers] : [])]) {
    await breathe();
    await wholePart<Component>(part).catch(() => undefined);
  }
});
const { waiting, speak } = useHeldWords();
const FindDialog = useOncePart('The search', find, findOpen);
const HelpDialog = useOncePart('The help', keys, keysOpen);
const PhoneDrawers = useOncePart('The list', drawers, jarsOpen, moreOpen);
onMounted(async () => {
  await session.ready();
  // Before somebody signs in there is nothing to be had.
  if (session.mustSignIn) return;
  void useProducts().load();
  await useWork().load();
});
// Signed out from afar: what was typed stays in this browser.
watch(
  () => session.mustSignIn,
  (now) => {
    // While the first page is still sought, the router sees to it.
    if (now && route.matched.length > 0 && route.meta['open'] !== true)
      void router.push({ name: 'sign-in', query: { next: route.fullPath } });
  },
);
</script>

<template>
  <template v-if="route.matched.length === 0"><MissedNote /><RouterView /></template>
  <div v-else-if="route.meta['bare']" class="bare"><MissedNote /><RouterView @vue:mounted="opened" /></div>
  <div v-else class="shell">
    <a class="skip" href="#main">To the content</a>
    <InTurn v-if="!phone"><ShellShelf /></InTurn>
    <div class="right">
      <ReplacedNote />
      <MissedNote />
      <LookRoundStrip />
      <OpeningStrip />
      <InTurn v-if="phone"><PhoneTop @jars="jarsOpen = true" /></InTurn>
      <InTurn v-else><ShellTop @keys="keysOpen = true" @find="findOpen = true" /></InTurn>
      <main id="main" tabindex="-1">
        <InTurn><RouterView /></InTurn>
      </main>
      <InTurn v-if="phone"><PhoneBar class="at-thumb" @more="moreOpen = true" /></InTurn>
    </div>
    <component
      :is="PhoneDrawers"
      v-if="phone && PhoneDrawers"
      v-model:jars="jarsOpen"
      v-model:more="moreOpen"
      @keys="keysOpen = true"
      @find="findOpen = true"
    />
    <component :is="FindDialog" v-if="FindDialog" v-model:open="findOpen" />
    <component :is="HelpDialog" v-if="HelpDialog" v-model:open="keysOpen" />
    <!-- Links that are drawn as buttons need the styles of one, on pages without any too. -->
    <InTurn><Button v-show="false" disabled /></InTurn>
    <Speakers v-if="isIdle || waiting" @ready="speak" />
  </div>
</template>

<style scoped>
/* A note takes its place from the page; what is last fills what is left. */
.bare {
  display: flex;
  flex-direction: column;
  height: 100vh;
}
.bare > :deep(:last-child) {
  flex: 1 0 auto;
}
.shell {
  display: grid;
  grid-template-columns: 9.375rem minmax(0, 1fr);
  min-height: 100vh;
}
/* In its own column from the first: the shelf comes a moment before or after. */
.right {
  grid-column: 2;
  min-width: 0;
}
main {
  padding: var(--space-5) var(--space-5) var(--space-6);
  max-width: 1400px;
  outline: none;
}
.skip {
  position: absolute;
  left: -999px;
  top: 0;
  z-index: 10;
  background: var(--card);
  padding: var(--space-2);
}
.skip:focus {
  left: 0;
}
@media (max-width: 56.25em) {
  .shell {
    grid-template-columns: 6rem minmax(0, 1fr);
  }
  main {
    padding: var(--space-4);
  }
}
@media screen and (max-width: 49.99em) {
  .shell {
    grid-template-columns: minmax(0, 1fr);
  }
  .right {
    grid-column: 1;
    display: flex;
    flex-direction: column;
    min-height: 100vh;
  }
  main {
    flex: 1;
    padding: var(--space-4) var(--space-3);
    width: 100%;
  }
}
/* On a page enlarged to 400 % the bar would cover a third of it. */
@media screen and (max-width: 49.99em) and (min-height: 24em) {
  .at-thumb {
    position: sticky;
    bottom: 0;
    z-index: 4;
  }
}
@media print {
  .shell {
    display: block;
  }
}
</style>
