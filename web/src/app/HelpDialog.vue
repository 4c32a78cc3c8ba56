<script setup lang="ts">
import { termOf } from '@warm-jar/core';
import Dialog from 'primevue/dialog';
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import KeyCap from '../components/KeyCap.vue';
import KeyModeChoice from '../components/KeyModeChoice.vue';
import TermCard from '../components/help/TermCard.vue';
import { PLACES, keysOf } from '../places/places';

/** Help where one stands: the words of this page with their pictures, and its keys. */
const props = defineProps<{ open: boolean }>();
const emit = defineEmits<{ 'update:open': [open: boolean] }>();
const route = useRoute();
const place = computed(() => PLACES.find((p) => p.name === route.name));
const terms = computed(() => (place.value?.words ?? []).flatMap((id) => termOf(id) ?? []));
const keys = computed(() => keysOf(String(route.name ?? '')));
const close = () => {
  if (props.open) emit('update:open', false);
};
</script>

<template>
  <Dialog
    :visible="open"
    modal
    :header="`Help: ${place?.title ?? 'this page'}`"
    dismissable-mask
    :style="{ width: 'min(60rem, 96vw)' }"
    @update:visible="emit('update:open', $event)"
  >
    <div class="help">
      <section v-if="terms.length" aria-labelledby="help-words">
        <h2 id="help-words">Words here</h2>
        <TermCard v-for="t in terms" :key="t.id" :term="t" />
        <p class="row">
          <RouterLink :to="{ name: 'guide' }" @click="close">The guide</RouterLink>
          <RouterLink :to="{ name: 'drill' }" @click="close">The drill</RouterLink>
          <RouterLink :to="{ name: 'help' }" @click="close">All words</RouterLink>
          <RouterLink :to="{ name: 'start-page' }" @click="close">One page to start with, to print</RouterLink>
        </p>
      </section>
      <section aria-labelledby="help-keys" class="stack">
        <h2 id="help-keys">Keys</h2>
        <KeyModeChoice />
        <dl v-if="keys.here.length" class="keys" data-test="keys-here">
          <template v-for="k in keys.here" :key="`${k.key} ${k.does}`"
            ><dt><KeyCap :k="k.key" always /></dt>
            <dd>{{ k.does }}</dd></template
          >
        </dl>
        <h3>Everywhere</h3>
        <dl class="keys" data-test="keys-everywhere">
          <template v-for="k in keys.everywhere" :key="`${k.key} ${k.does}`"
            ><dt><KeyCap :k="k.key" always /></dt>
            <dd>{{ k.does }}</dd></template
          >
        </dl>
      </section>
    </div>
  </Dialog>
</template>

<style scoped>
.help {
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr);
  gap: var(--space-5);
  align-items: start;
}
.keys {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 6px var(--space-3);
  align-items: center;
}
@media (max-width: 50em) {
  .help {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
