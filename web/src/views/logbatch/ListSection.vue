<script setup lang="ts">
import Button from 'primevue/button';
import { computed } from 'vue';
import LimitStrip from '../../components/LimitStrip.vue';
import { useDraftContext } from './draftContext';
import FieldEntry from './FieldEntry.vue';
import type { Field } from './fields';

/** A list in the record, such as the additives: none, or one row each, with the strips of what they come to. */
const props = defineProps<{ path: string; fields: readonly Field[]; one: string; readingPrefix: string }>();
const { value, set, readings } = useDraftContext();
const rows = computed(() => { const v = value(props.path); return Array.isArray(v) ? (v as unknown[]) : null; });
const strips = computed(() => [...readings.value.values()].filter((r) => r.field.startsWith(props.readingPrefix) && rows.value !== null && rows.value.length > 0));
const add = () => { set(props.path, [...(rows.value ?? []), {}]); };
const drop = (index: number) => { set(props.path, (rows.value ?? []).filter((_, i) => i !== index)); };
</script>

<template>
  <div class="stack list" :data-list="path">
    <p v-if="rows === null" class="quiet"><em>Not recorded.</em></p>
    <p v-else-if="rows.length === 0">None went in.</p>
    <div v-for="(_, i) in rows ?? []" :key="i" class="item">
      <label v-for="f in fields" :key="f.path" class="cell" :class="f.kind"><span class="small">{{ f.label }}</span><FieldEntry :field="f" :path="`${path}[${i}].${f.path}`" :label="`${one} ${i + 1}, ${f.label}`" /></label>
      <Button icon="pi pi-trash" severity="secondary" text :aria-label="`Remove ${one} ${i + 1}`" @click="drop(i)" />
    </div>
    <LimitStrip v-for="r in strips" :key="r.field" :reading="r" />
    <div class="row">
      <Button :label="`Add ${one}`" icon="pi pi-plus" severity="secondary" @click="add" />
      <Button v-if="rows === null" label="None" severity="secondary" outlined @click="set(path, [])" />
      <Button v-else-if="rows.length === 0" label="Not recorded" severity="secondary" text @click="set(path, null)" />
    </div>
  </div>
</template>

<style scoped>
.item { display: flex; gap: var(--space-3); align-items: flex-end; flex-wrap: wrap; border-left: 4px solid var(--band); padding-left: var(--space-3); }
.cell { display: flex; flex-direction: column; gap: 2px; flex: 1 1 9rem; min-width: 8rem; }
</style>
