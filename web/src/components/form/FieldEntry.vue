<script setup lang="ts">
import InputText from 'primevue/inputtext';
import { computed } from 'vue';
import MultiSelect from 'primevue/multiselect';
import ChoiceEntry from '../ChoiceEntry.vue';
import { DateEntry, MomentEntry } from '../laterEntry';
import NumberEntry from '../NumberEntry.vue';
import YesNoEntry from '../YesNoEntry.vue';
import { inWords } from '../words';
import type { Field } from './field';
import { termOfField } from '@warm-jar/core';
import { useFormContext } from './formContext';

/** One field of the page, entered the way its kind asks. `path` is its place in the document. */
const props = defineProps<{ field: Field; path: string; label?: string; describedBy?: string | undefined }>();
const { value, set, issues, texts } = useFormContext();
const id = computed(() => `f-${props.path.replaceAll(/[^a-zA-Z0-9]+/g, '-')}`);
const name = computed(() => props.label ?? props.field.label);
const unit = computed(() =>
  typeof props.field.unit === 'function' ? props.field.unit(value) : (props.field.unit ?? ''),
);
const number = computed(() => {
  const v = value(props.path);
  return typeof v === 'number' ? v : null;
});
const word = computed(() => {
  const v = value(props.path);
  return typeof v === 'string' ? v : null;
});
const flag = computed(() => {
  const v = value(props.path);
  return typeof v === 'boolean' ? v : null;
});
const list = computed(() => {
  const v = value(props.path);
  return Array.isArray(v) ? (v as unknown[]) : null;
});
const options = computed(() => (props.field.options ?? []).map((o) => ({ value: o, words: inWords(o) })));
const words = computed(() => {
  const v = value(props.path);
  return Array.isArray(v) ? (v as unknown[]).join(', ') : '';
});
/** A list of words, parted by commas; nothing typed is not recorded. */
const setWords = (text: string | undefined) => {
  const list = (text ?? '').split(',').map((w) => w.trimStart());
  set(props.path, list.join('') === '' ? null : list);
};
const error = computed(() => issues.value[props.path]);
const term = computed(() => termOfField(props.path));
</script>

<template>
  <div class="entry" :data-path="path">
    <NumberEntry
      v-if="field.kind === 'number'"
      :id="id"
      :value="number"
      :raw-text="texts[path]"
      :unit="unit"
      :label="name"
      :error="error"
      :described-by="describedBy"
      @change="(v, raw) => set(path, v, raw)"
    />
    <ChoiceEntry
      v-else-if="field.kind === 'choice'"
      :id="id"
      :value="word"
      :options="field.options ?? []"
      :label="name"
      @change="set(path, $event)"
    />
    <YesNoEntry v-else-if="field.kind === 'yes-no'" :value="flag" :label="name" @change="set(path, $event)" />
    <DateEntry
      v-else-if="field.kind === 'date'"
      :id="id"
      :value="word"
      :label="name"
      :error="error"
      @change="set(path, $event)"
    />
    <MomentEntry
      v-else-if="field.kind === 'moment'"
      :id="id"
      :value="word"
      :label="name"
      :error="error"
      @change="set(path, $event)"
    />
    <MultiSelect
      v-else-if="field.kind === 'choices'"
      :label-id="id"
      :model-value="list"
      :options="options"
      option-label="words"
      option-value="value"
      placeholder="not stated"
      :aria-label="name"
      class="wide"
      @update:model-value="set(path, $event)"
    />
    <InputText
      v-else-if="field.kind === 'words'"
      :id="id"
      :model-value="words"
      :aria-label="name"
      :invalid="Boolean(error)"
      :aria-describedby="error ? `${id}-error` : describedBy"
      autocomplete="off"
      class="wide"
      @update:model-value="setWords"
    />
    <InputText
      v-else
      :id="id"
      :model-value="word ?? ''"
      :aria-label="name"
      :invalid="Boolean(error)"
      :aria-describedby="error ? `${id}-error` : describedBy"
      autocomplete="off"
      class="wide"
      @update:model-value="set(path, $event || null)"
    />
    <p v-if="error" :id="`${id}-error`" class="error small" role="alert">
      {{ error }}
      <RouterLink v-if="term" :to="{ name: 'help', params: { term: term.id } }">{{ term.term }}?</RouterLink>
    </p>
  </div>
</template>

<style scoped>
.entry {
  min-width: 0;
}
.wide {
  width: 100%;
}
.error {
  color: var(--outside);
  font-weight: 600;
  padding-top: 4px;
}
</style>
