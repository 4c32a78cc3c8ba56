<script setup lang="ts">
import { useDropZone } from '@vueuse/core';
import Button from 'primevue/button';
import Textarea from 'primevue/textarea';
import { useTemplateRef } from 'vue';

/** Where a file is chosen or dropped, or its words are pasted. */
defineProps<{
  label: string;
  /** What the button says, what the chooser takes and is called. */
  choose: string;
  accept: string;
  fileLabel: string;
  /** The file's name, or none where words were pasted. */
  name: string;
  hint: string;
  /** What was pasted, and its field. */
  text: string;
  textId: string;
  textLabel: string;
  placeholder: string;
  rows: number;
  busy: boolean;
}>();
const emit = defineEmits<{ open: [file: File | undefined]; paste: [text: string]; putAway: [] }>();
const [file, zone] = [useTemplateRef<HTMLInputElement>('file'), useTemplateRef<HTMLElement>('zone')];
const { isOverDropZone } = useDropZone(zone, {
  onDrop: (files) => {
    emit('open', files?.[0]);
  },
});
function chosen(event: Event) {
  const input = event.target as HTMLInputElement;
  emit('open', input.files?.[0]);
  // The same file may be chosen again.
  input.value = '';
}
</script>

<template>
  <section ref="zone" class="card stack bring" :class="{ over: isOverDropZone }" :aria-label="label">
    <div class="row">
      <Button :label="choose" icon="pi pi-upload" :loading="busy" @click="file?.click()" /><input
        ref="file"
        type="file"
        :accept="accept"
        class="visually-hidden"
        tabindex="-1"
        :aria-label="fileLabel"
        @change="chosen"
      />
      <span v-if="name">{{ name }}</span><span v-else class="quiet">{{ hint }}</span>
      <Button v-if="text" label="Put it away" severity="secondary" text @click="emit('putAway')" />
    </div>
    <Textarea
      v-if="!name"
      :id="textId"
      :model-value="text"
      :rows="rows"
      :aria-label="textLabel"
      :placeholder="placeholder"
      @update:model-value="emit('paste', String($event ?? ''))"
    />
  </section>
</template>

<style scoped>
.bring {
  border-style: dashed;
}
.bring.over {
  border-color: var(--action);
  background: var(--chalk-100);
}
.bring :deep(textarea) {
  width: 100%;
  font-family: var(--figures);
  font-size: 0.9rem;
}
</style>
