<script setup lang="ts">
import ConfirmDialog from 'primevue/confirmdialog';
import Toast from 'primevue/toast';
import { onMounted } from 'vue';
import { useRoute } from 'vue-router';
import FindDialog from './app/FindDialog.vue';
import KeysDialog from './app/KeysDialog.vue';
import ReplacedNote from './app/ReplacedNote.vue';
import ShellShelf from './app/ShellShelf.vue';
import ShellTop from './app/ShellTop.vue';
import { useGlobalKeys } from './app/keys';
import { useProducts } from './stores/products';
import { useWork } from './stores/work';

const products = useProducts();
const work = useWork();
const route = useRoute();
const { keysOpen, findOpen } = useGlobalKeys();
onMounted(async () => {
  await products.load();
  await work.load();
});
</script>

<template>
  <RouterView v-if="route.meta['bare']" />
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
