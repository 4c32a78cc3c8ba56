<script setup lang="ts">
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import { ref } from 'vue';

/** A stop that a reason passes; the reason goes into the record. */
defineProps<{ what: string }>();
const emit = defineEmits<{ reason: [words: string]; cancel: [] }>();
const words = ref('');
const go = () => {
  if (words.value.trim().length > 2) emit('reason', words.value.trim());
};
</script>

<template>
  <div class="box" role="alertdialog" aria-label="A reason is needed" data-test="reason">
    <p><strong>Stop.</strong> {{ what }} To go on, say why; it is kept in the record.</p>
    <InputText
      v-model="words"
      autofocus
      class="wide"
      placeholder="why"
      aria-label="Reason"
      @keydown.enter.prevent="go"
      @keydown.escape.prevent="emit('cancel')"
    />
    <div class="row">
      <Button label="Go on" severity="danger" size="large" :disabled="words.trim().length < 3" @click="go" />
      <Button label="Back" severity="secondary" size="large" @click="emit('cancel')" />
    </div>
  </div>
</template>

<style scoped>
.box {
  border: 3px solid var(--outside);
  border-radius: var(--radius);
  padding: var(--space-4);
  display: grid;
  gap: var(--space-3);
  background: var(--outside-ground);
}
.wide {
  width: 100%;
  font-size: 1.15rem;
}
</style>
