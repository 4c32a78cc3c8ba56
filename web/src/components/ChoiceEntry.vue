<script setup lang="ts">
import Select from 'primevue/select';
import SelectButton from 'primevue/selectbutton';
import { computed } from 'vue';

/** One of a few words. Few are laid out to tap; many go into a list. */
const props = defineProps<{
  id: string;
  value: string | null;
  options: readonly string[];
  label: string;
  list?: boolean;
}>();
const emit = defineEmits<{ change: [value: string | null] }>();
/** More than this many do not fit beside each other. */
const MAX_BESIDE = 4;
const items = computed(() => props.options.map((value) => ({ value, words: value.replaceAll('-', ' ') })));
const beside = computed(() => !props.list && props.options.length <= MAX_BESIDE);
</script>

<template>
  <SelectButton
    v-if="beside"
    :model-value="value"
    :options="items"
    option-label="words"
    option-value="value"
    :allow-empty="true"
    :aria-label="label"
    @update:model-value="emit('change', $event ?? null)"
  />
  <Select
    v-else
    :label-id="id"
    :model-value="value"
    :options="items"
    option-label="words"
    option-value="value"
    show-clear
    placeholder="not recorded"
    :aria-label="label"
    class="wide"
    @update:model-value="emit('change', $event ?? null)"
  />
</template>

<style scoped>
.wide {
  width: 100%;
}
</style>
