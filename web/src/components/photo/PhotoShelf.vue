<script setup lang="ts">
import type { CheckPhoto } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed, ref, useTemplateRef } from 'vue';
import { photoAddress } from '../../api/shelf';
import PhotoMarks from './PhotoMarks.vue';
import { sendPhoto } from './sendPhoto';

/** The photos of one look: add, choose one to mark and measure, take one off. */
const props = defineProps<{ photos: readonly CheckPhoto[] }>();
const emit = defineEmits<{ change: [photos: CheckPhoto[]] }>();
const file = useTemplateRef<HTMLInputElement>('file');
const problem = ref<string | null>(null);
const busy = ref(false);
const chosen = ref(0);
const open = computed(() => props.photos[chosen.value] ?? null);
async function take(event: Event) {
  const input = event.target as HTMLInputElement;
  const picture = input.files?.[0];
  input.value = '';
  if (!picture) return;
  busy.value = true;
  const answer = await sendPhoto(picture);
  [busy.value, problem.value] = [false, answer.problem];
  if (!answer.id || props.photos.some((p) => p.id === answer.id)) return;
  chosen.value = props.photos.length;
  emit('change', [...props.photos, { id: answer.id }]);
}
const changed = (photo: CheckPhoto) => {
  emit(
    'change',
    props.photos.map((p, i) => (i === chosen.value ? photo : p)),
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
        type="button"
        icon="pi pi-camera"
        :label="photos.length ? 'Another photo' : 'Add a photo'"
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
        aria-label="Take this photo off"
        @click="off(chosen)"
      />
    </div>
    <input
      ref="file"
      type="file"
      accept="image/*"
      capture="environment"
      class="visually-hidden"
      tabindex="-1"
      aria-label="Photo of the piece"
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
