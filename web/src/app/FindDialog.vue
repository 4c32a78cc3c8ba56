<script setup lang="ts">
import { findInGuide } from '@warm-jar/core';
import { useDebounceFn } from '@vueuse/core';
import Dialog from 'primevue/dialog';
import InputText from 'primevue/inputtext';
import { computed, ref, watch } from 'vue';
import { useRouter, type RouteLocationRaw } from 'vue-router';
import { guidePlace } from '../components/guidePlace';
import KeyCap from '../components/KeyCap.vue';
import type { Found } from '../api/shelf';
import { useFind } from './useFind';

/** One box that finds products, batches, lots, moulds, inclusions, additives and gear, and pages of the guide. */
const props = defineProps<{ open: boolean }>();
const emit = defineEmits<{ 'update:open': [open: boolean] }>();
const router = useRouter();
const words = ref('');
const at = ref(0);
const { found, problem, find } = useFind();
/** The words that what stands below was found by: nothing moves under a hand while an answer is waited for. */
const searched = ref('');
const ask = useDebounceFn(async () => {
  const asked = words.value;
  await find(asked);
  if (asked === words.value) searched.value = asked;
}, 150);
watch(words, () => {
  at.value = 0;
  void ask();
});
watch(
  () => props.open,
  (open) => {
    if (open) {
      words.value = '';
      searched.value = '';
      void find('');
    }
  },
);
const PLACES: Record<Found['kind'], string> = {
  product: 'products',
  batch: 'batches',
  lot: 'lots',
  mould: 'moulds',
  inclusion: 'inclusions',
  additive: 'additives',
  gear: 'gear',
  piece: 'pieces',
};
/** As many pages of the guide as stand below what the studio has. */
const MOST_PAGES = 6;
interface Line {
  readonly kind: string;
  readonly id: string;
  readonly code: string;
  readonly title: string;
  readonly to: RouteLocationRaw;
}
const lines = computed<Line[]>(() => [
  ...found.value.map(({ kind, code, title }) => ({
    kind,
    id: code,
    code,
    title,
    to: `/${PLACES[kind]}/${encodeURIComponent(code)}`,
  })),
  ...findInGuide(searched.value)
    .slice(0, MOST_PAGES)
    .map((page) => ({
      kind: 'guide',
      id: `${page.part}/${page.id}`,
      code: page.title,
      title: '',
      to: guidePlace(page),
    })),
]);
function go(line: Line | undefined) {
  if (!line) return;
  emit('update:open', false);
  void router.push(line.to);
}
const step = (by: number) => {
  at.value = Math.min(Math.max(0, at.value + by), Math.max(0, lines.value.length - 1));
};
</script>

<template>
  <Dialog
    :visible="open"
    modal
    header="Find"
    position="top"
    dismissable-mask
    :style="{ width: 'min(640px, 92vw)' }"
    @update:visible="emit('update:open', $event)"
  >
    <InputText
      v-model="words"
      autofocus
      class="box"
      placeholder="code, name, person, lot, note …"
      aria-label="Find"
      role="combobox"
      aria-expanded="true"
      aria-controls="found"
      :aria-activedescendant="lines.length ? `found-${at}` : undefined"
      @keydown.down.prevent="step(1)"
      @keydown.up.prevent="step(-1)"
      @keydown.enter.prevent="go(lines[at])"
    />
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <p v-else-if="searched.trim() && lines.length === 0" class="quiet pad" aria-live="polite">
      Nothing holds all of these words.
    </p>
    <p class="row small pad">
      <RouterLink :to="{ name: 'scan' }" @click="emit('update:open', false)">Scan a label instead</RouterLink>
    </p>
    <ul id="found" role="listbox" aria-label="Found">
      <li
        v-for="(f, i) in lines"
        :id="`found-${i}`"
        :key="f.kind + f.id"
        role="option"
        :aria-selected="i === at"
        :class="{ here: i === at }"
        @click="go(f)"
        @mousemove="at = i"
      >
        <span class="kind small">{{ f.kind }}</span><strong :class="{ figures: f.kind !== 'guide' }">{{
          f.code
        }}</strong
        ><span class="quiet">{{ f.title }}</span>
      </li>
    </ul>
    <p class="small quiet pad">
      <KeyCap k="↑" /> <KeyCap k="↓" /> choose, <KeyCap k="Enter" /> open, <KeyCap k="Esc" /> close
    </p>
  </Dialog>
</template>

<style scoped>
.box {
  width: 100%;
  font-size: 1.2rem;
}
ul {
  max-height: 60vh;
  overflow-y: auto;
  padding-top: var(--space-2);
}
li {
  display: grid;
  grid-template-columns: 6rem minmax(8rem, auto) minmax(0, 1fr);
  gap: var(--space-3);
  align-items: center;
  min-height: var(--target);
  padding: 0 var(--space-3);
  border-radius: var(--radius);
  cursor: pointer;
}
.here {
  background: var(--bottle-50);
  box-shadow: inset 4px 0 0 var(--part-a);
}
.pad {
  padding-top: var(--space-3);
}
.bad {
  color: var(--outside);
}
</style>
