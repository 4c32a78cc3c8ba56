<script setup lang="ts">
import type { CheckPhoto } from '@warm-jar/core';
import { useMediaQuery } from '@vueuse/core';
import Button from 'primevue/button';
import { computed, ref, useTemplateRef } from 'vue';
import { photoAddress } from '../../api/shelf';
import PhotoMarks from './PhotoMarks.vue';
import { sendPhoto } from './sendPhoto';

/** The photos of one look: add, choose one to mark and measure, take one off. */
const props = defineProps<{ photos: readonly CheckPhoto[] }>();
const emit = defineEmits<{ change: [photos: CheckPhoto[]] }>();
const file = useTemplateRef<HTMLInputElement>('file');
const camera = useTemplateRef<HTMLInputElement>('camera');
/** A phone or a tablet has its camera at hand. */
const byHand = useMediaQuery('(pointer: coarse)');
const problem = ref<string | null>(null);
const busy = ref(false);
const chosen = ref(0);
const open = computed(() => props.photos[chosen.value] ?? null);
/** Several at once: each is stored by itself, so that one that cannot be read holds up none. */
async function take(event: Event) {
  const input = event.target as HTMLInputElement;
  const pictures = [...(input.files ?? [])];
  input.value = '';
  if (pictures.length === 0) return;
  busy.value = true;
  const before = props.photos;
  const answers = [];
  for (const picture of pictures) answers.push(await sendPhoto(picture));
  busy.value = false;
  problem.value = answers.flatMap((a) => a.problem ?? []).join(' ') || null;
  const ids = [...new Set(answers.flatMap((a) => a.id ?? []))].filter((id) => !before.some((p) => p.id === id));
  if (ids.length === 0) return;
  chosen.value = before.length;
  emit('change', [...props.photos, ...ids.map((id) => ({ id }))]);
}
const changed = (photo: CheckPhoto) => {
  emit(
    'change',
    props.photos.map((p) => (p.id === photo.id ? photo : p)),
  );
};
const off = (index: number) => {
  emit(
    'change',
    props.photos.filter((_, i) => i !== index),
  );
  chosen.value = 0;
};
</script>

<template>
  <div class="shelf">
    <div class="row">
      <button
        v-for="(p, i) in photos"
        :key="p.id"
        type="button"
        class="thumb"
        :aria-pressed="i === chosen"
        :aria-label="`Photo ${i + 1}`"
        @click="chosen = i"
      >
        <img :src="photoAddress(p.id)" alt="" />
      </button>
      <Button
        v-if="byHand"
        type="button"
        icon="pi pi-camera"
        label="Take a photo"
        severity="secondary"
        :loading="busy"
        @click="camera?.click()"
      />
      <Button
        type="button"
        icon="pi pi-images"
        label="Add photos"
        severity="secondary"
        :loading="busy"
        @click="file?.click()"
      />
      <Button
        v-if="open"
        type="button"
        icon="pi pi-trash"
        severity="secondary"
        text
        aria-label="Remove this photo"
        @click="off(chosen)"
      />
    </div>
    <input
      ref="file"
      type="file"
      accept="image/*"
      multiple
      class="visually-hidden"
      tabindex="-1"
      aria-label="Photos of the piece"
      data-test="photo-files"
      @change="take"
    /><input
      ref="camera"
      type="file"
      accept="image/*"
      capture="environment"
      class="visually-hidden"
      tabindex="-1"
      aria-label="Photo of the piece by the camera"
      @change="take"
    />
    <p v-if="problem" class="bad small" role="alert">{{ problem }}</p>
    <PhotoMarks v-if="open" :key="open.id" :photo="open" @change="changed" />
  </div>
</template>

<style scoped>
.shelf {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.thumb {
  padding: 2px;
  border: 2px solid var(--card-edge);
  border-radius: var(--radius);
  background: none;
  cursor: pointer;
  height: 64px;
}
.thumb[aria-pressed='true'] {
  border-color: var(--action);
}
.thumb img {
  height: 100%;
  display: block;
  border-radius: 3px;
}
.bad {
  color: var(--outside);
}
</style>
