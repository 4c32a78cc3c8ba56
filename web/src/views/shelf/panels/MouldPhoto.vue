<script setup lang="ts">
import { ref, useTemplateRef } from 'vue';
import Button from 'primevue/button';
import { photoAddress } from '../../../api/shelf';
import { sendPhoto } from '../../../components/photo/sendPhoto';

/** The mould as it looks; resized here, its metadata taken off before it leaves. */
defineProps<{ photo: string | null }>();
const emit = defineEmits<{ change: [photo: string | null] }>();
const file = useTemplateRef<HTMLInputElement>('file');
const problem = ref<string | null>(null);
const busy = ref(false);
async function take(event: Event) {
  const input = event.target as HTMLInputElement;
  const chosen = input.files?.[0];
  input.value = '';
  if (!chosen) return;
  busy.value = true;
  const answer = await sendPhoto(chosen);
  busy.value = false;
  problem.value = answer.problem;
  if (answer.id) emit('change', answer.id);
}
</script>

<template>
  <div class="photo">
    <img v-if="photo" :src="photoAddress(photo)" alt="Photo of the mould" />
    <p v-else class="quiet small none">No photo</p>
    <div class="row">
      <Button
        :label="photo ? 'Another' : 'Add a photo'"
        severity="secondary"
        :loading="busy"
        @click="file?.click()"
      /><Button
        v-if="photo"
        icon="pi pi-trash"
        severity="secondary"
        text
        aria-label="Remove the photo"
        @click="emit('change', null)"
      />
    </div>
    <input
      ref="file"
      type="file"
      accept="image/*"
      class="visually-hidden"
      tabindex="-1"
      aria-label="Photo of the mould"
      @change="take"
    />
    <p v-if="problem" class="small bad" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.photo {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
img {
  width: 100%;
  border-radius: var(--radius);
}
.none {
  border: 1px dashed var(--chalk-400);
  border-radius: var(--radius);
  padding: var(--space-5) var(--space-3);
  text-align: center;
}
.bad {
  color: var(--outside);
}
</style>
