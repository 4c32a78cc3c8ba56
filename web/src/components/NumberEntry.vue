<script setup lang="ts">
import InputGroup from 'primevue/inputgroup';
import InputGroupAddon from 'primevue/inputgroupaddon';
import InputText from 'primevue/inputtext';
import { computed, getCurrentInstance, ref, watch } from 'vue';
import { useUnits } from '../stores/units';
import { numberText, parseNumber } from './parseNumber';

/** A number with its unit. What cannot be read stays in the field, with a word on how to write it. */
const props = defineProps<{
  id: string;
  value: number | null;
  rawText?: string | undefined;
  unit: string;
  label: string;
  error?: string | undefined;
  /** What tells the limit and the state of the figure. */
  describedBy?: string | undefined;
}>();
/** `enter`: the key was pressed in the field, and what stands there is to be taken. */
const emit = defineEmits<{ change: [value: number | null, rawText: string | undefined]; enter: [] }>();
const units = useUnits();
const shownUnit = computed(() => units.label(props.unit));
const fromValue = () =>
  props.rawText ??
  numberText(props.value === null ? null : units.shown(props.value, props.unit), units.decimals(props.unit) + 1);
const text = ref(fromValue());
const typing = ref(false);
/** Where Enter takes what stands in the field, it gives the focus back: the next Enter is not this field's. */
const takes = getCurrentInstance()?.vnode.props?.['onEnter'] !== undefined;
function entered(event: KeyboardEvent): void {
  if (!takes) return;
  event.preventDefault();
  emit('enter');
  if (event.target instanceof HTMLElement) event.target.blur();
}

watch([() => props.value, () => props.rawText, shownUnit], () => {
  if (!typing.value) text.value = fromValue();
});

function typed(next: string | undefined) {
  text.value = next ?? '';
  const read = parseNumber(text.value);
  if (read.kind === 'number') emit('change', units.stored(read.value, props.unit), undefined);
  else emit('change', null, read.kind === 'bad' ? text.value : undefined);
}
</script>

<template>
  <InputGroup class="number">
    <InputText
      :id="id"
      :model-value="text"
      inputmode="decimal"
      autocomplete="off"
      :aria-label="`${label}${shownUnit ? `, ${shownUnit}` : ''}`"
      :invalid="Boolean(error)"
      :aria-describedby="[error ? `${id}-error` : '', describedBy].filter(Boolean).join(' ') || undefined"
      class="figures"
      @update:model-value="typed"
      @focus="typing = true"
      @keydown.enter="entered"
      @blur="typing = false"
    />
    <InputGroupAddon v-if="shownUnit">{{ shownUnit }}</InputGroupAddon>
  </InputGroup>
</template>

<style scoped>
.number {
  width: 100%;
}
:deep(input) {
  font-size: 1.1rem;
  min-width: 0;
}
</style>
