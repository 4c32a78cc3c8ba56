<script setup lang="ts">
import Button from 'primevue/button';
import { useTemplateRef, watch } from 'vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { useScan } from './useScan';

/** A label is held before the camera, and what it names opens. */
const { video, problem, words, running, begin, stop, ofPhoto } = useScan();
const [screen, file] = [useTemplateRef<HTMLVideoElement>('screen'), useTemplateRef<HTMLInputElement>('file')];
watch(screen, (element) => {
  video.value = element;
});
const chosen = (event: Event) => {
  const input = event.target as HTMLInputElement;
  const photo = input.files?.[0];
  if (photo) void ofPhoto(photo);
  input.value = '';
};
</script>

<template>
  <div class="stack">
    <div class="row spread">
      <h1>Scan a label</h1>
      <RouterLink :to="{ name: 'labels' }">Print labels</RouterLink>
    </div>
    <p class="quiet">Hold a label’s code before the camera: the batch, bottle or mould that it names opens.</p>
    <ProblemNote v-if="problem" :says="problem" />
    <div class="row">
      <Button v-if="!running" label="Use the camera" icon="pi pi-camera" @click="begin" /><Button
        v-else
        label="Stop the camera"
        severity="secondary"
        @click="stop"
      />
      <Button label="Take or choose a photo" severity="secondary" @click="file?.click()" /><input
        ref="file"
        type="file"
        accept="image/*"
        capture="environment"
        class="visually-hidden"
        tabindex="-1"
        aria-label="Photo of a label"
        @change="chosen"
      />
    </div>
    <video v-show="running" ref="screen" class="seen" playsinline muted aria-label="What the camera sees" />
    <section v-if="words" class="card stack" role="status" aria-labelledby="says">
      <h2 id="says">This code is not of a label from here</h2>
      <p>
        It says <strong class="figures said">{{ words }}</strong>. Is it a maker’s code on a bottle, look for it among
        the lots.
      </p>
      <RouterLink :to="{ name: 'shelf', params: { place: 'lots' } }">To the lots</RouterLink>
    </section>
  </div>
</template>

<style scoped>
.seen {
  width: min(100%, 34rem);
  border-radius: var(--radius);
  background: #000;
}
.said {
  overflow-wrap: anywhere;
}
</style>
