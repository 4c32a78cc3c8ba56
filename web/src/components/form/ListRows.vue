<script setup lang="ts">
import Button from 'primevue/button';
import { computed, useTemplateRef } from 'vue';
import { focusAfterRemoval } from '../focusAfterRemoval';
import type { Field } from './field';
import FieldEntry from './FieldEntry.vue';
import { useFormContext } from './formContext';

/** A list in a document, such as additives or weighings: not recorded, none, or one row each. */
const props = defineProps<{ path: string; fields: readonly Field[]; one: string; plain?: boolean }>();
const { value, set } = useFormContext();
const rows = computed(() => {
  const v = value(props.path);
  return Array.isArray(v) ? (v as unknown[]) : null;
});
const add = () => {
  set(props.path, [...(rows.value ?? []), {}]);
};
const root = useTemplateRef<HTMLElement>('root');
const drop = (index: number) => {
  set(
    props.path,
    (rows.value ?? []).filter((_, i) => i !== index),
  );
  focusAfterRemoval(root.value, '[data-remove]', index);
};
</script>

<template>
  <div ref="root" class="stack list" :data-list="path">
    <template v-if="!plain"
      ><p v-if="rows === null" class="quiet"><em>Not recorded.</em></p>
      <p v-else-if="rows.length === 0">None went in.</p></template
    >
    <div v-for="(_, i) in rows ?? []" :key="i" class="item">
      <label v-for="f in fields" :key="f.path" class="cell" :class="f.kind"
        ><span class="small">{{ f.label }}</span
        ><FieldEntry :field="f" :path="`${path}[${i}].${f.path}`" :label="`${one} ${i + 1}, ${f.label}`"
      /></label>
      <Button
        icon="pi pi-trash"
        severity="secondary"
        text
        data-remove
        :aria-label="`Remove ${one} ${i + 1}`"
        @click="drop(i)"
      />
    </div>
    <slot :rows="rows ?? []" />
    <div class="row">
      <Button :label="`Add ${one}`" icon="pi pi-plus" severity="secondary" @click="add" />
      <Button v-if="!plain && rows === null" label="None" severity="secondary" outlined @click="set(path, [])" />
      <Button
        v-else-if="!plain && rows?.length === 0"
        label="Not recorded"
        severity="secondary"
        text
        @click="set(path, null)"
      />
    </div>
  </div>
</template>

<style scoped>
.item {
  display: flex;
  gap: var(--space-3);
  align-items: flex-end;
  flex-wrap: wrap;
  border-left: 4px solid var(--band);
  padding-left: var(--space-3);
}
.cell {
  display: flex;
  flex-direction: column;
  gap: 2px;
  flex: 1 1 9rem;
  min-width: 8rem;
}
</style>
