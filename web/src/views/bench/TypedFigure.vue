<script setup lang="ts">
import NumberEntry from '../../components/NumberEntry.vue';

/** A figure read by eye and typed, with a word on what it is; Enter in it takes it. */
defineProps<{ id: string; unit: string; words: string; label: string }>();
const value = defineModel<number | null>({ required: true });
const emit = defineEmits<{ enter: [] }>();
</script>

<template>
  <label class="typed"
    ><span class="small">{{ words }}</span
    ><NumberEntry
      :id="id"
      :value="value"
      :unit="unit"
      :label="label"
      @change="
        (v) => {
          value = v;
        }
      "
      @enter="emit('enter')"
  /></label>
</template>

<style scoped>
.typed {
  width: 11rem;
}
</style>
