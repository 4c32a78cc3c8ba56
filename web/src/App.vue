<script setup lang="ts">
import ConfirmDialog from 'primevue/confirmdialog';
import Toast from 'primevue/toast';
import { onMounted, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import FindDialog from './app/FindDialog.vue';
import KeysDialog from './app/KeysDialog.vue';
import ReplacedNote from './app/ReplacedNote.vue';
import ShellShelf from './app/ShellShelf.vue';
import ShellTop from './app/ShellTop.vue';
import { useGlobalKeys } from './app/useGlobalKeys';
import { useProducts } from './stores/products';
import { useSession } from './stores/session';
import { useWork } from './stores/work';

const route = useRoute();
const router = useRouter();
const session = useSession();
const { keysOpen, findOpen } = useGlobalKeys();
onMounted(async () => {
  await session.ready();
  // Before somebody signs in there is nothing to be had.
  if (session.mustSignIn) return;
  await useProducts().load();
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
  <RouterView v-if="route.meta['bare'] || route.matched.length === 0" />
  <div v-else class="shell">
    <a class="skip" href="#main">To the content</a>
    <ShellShelf />
    <div class="right">
      <ReplacedNote />
      <ShellTop @keys="keysOpen = true" @find="findOpen = true" />
      <main id="main" tabindex="-1"><RouterView /></main>
    </div>
    <FindDialog v-model:open="findOpen" />
    <KeysDialog v-model:open="keysOpen" />
    <ConfirmDialog />
    <Toast position="bottom-right" />
  </div>
</template>

<style scoped>
.shell {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr);
  min-height: 100vh;
}
.right {
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
@media (max-width: 900px) {
  .shell {
    grid-template-columns: 96px minmax(0, 1fr);
  }
  main {
    padding: var(--space-4);
  }
}
@media print {
  .shell {
    display: block;
  }
}
</style>
