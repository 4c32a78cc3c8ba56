<script setup lang="ts">
import {
  DATE_ORDERS,
  ORDER_WORDS,
  UNITS_OF,
  fieldsOfTable,
  type ColumnMapping,
  type DecimalSign,
  type TableField,
  type TableKind,
} from '@warm-jar/core';
import Select from 'primevue/select';
import { computed } from 'vue';
import TableBox from '../../components/TableBox.vue';

/** Each column with a few of its cells, the field it fills, and its unit; all of it can be changed. */
const props = defineProps<{
  kind: TableKind;
  columns: readonly (ColumnMapping & { readonly why: string; readonly samples: readonly string[] })[];
  decimal: DecimalSign | null;
}>();
const emit = defineEmits<{
  choose: [column: string, to: Omit<ColumnMapping, 'column'>];
  decimal: [sign: DecimalSign | null];
}>();
const fields = computed(() => fieldsOfTable(props.kind));
const options = computed(() => [
  { path: null, label: 'leave it out' },
  ...fields.value.map(({ path, label }) => ({ path, label })),
]);
const fieldOf = (path: string | null): TableField | undefined => fields.value.find((f) => f.path === path);
/** The units or orders that a column may be in; none where nothing is to be said. */
function unitsOf(path: string | null): readonly { value: string; words: string }[] {
  const field = fieldOf(path);
  if (field?.kind === 'date' || field?.kind === 'moment')
    return DATE_ORDERS.map((order) => ({ value: order, words: ORDER_WORDS[order] }));
  const units = field?.kind === 'number' ? (UNITS_OF[field.unit ?? ''] ?? []) : [];
  return units.length > 1 ? units.map((unit) => ({ value: unit, words: unit })) : [];
}
const SIGNS = [
  { value: 'told', words: 'as the table tells' },
  { value: '.', words: '1.5, a point' },
  { value: ',', words: '1,5, a comma' },
];
const idOf = (at: number, what: string) => `column-${at}-${what}`;
</script>

<template>
  <TableBox label="Columns of the table"
    ><table class="card">
      <thead>
        <tr>
          <th scope="col">Column</th>
          <th scope="col">Some of its cells</th>
          <th scope="col">Is</th>
          <th scope="col">In</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(c, at) in columns" :key="c.column" :data-column="c.column">
          <th scope="row">{{ c.column }}</th>
          <td class="figures small">{{ c.samples.join(' · ') || 'empty' }}</td>
          <td>
            <Select
              :label-id="idOf(at, 'field')"
              :model-value="c.path"
              :options="options"
              option-label="label"
              option-value="path"
              filter
              :aria-label="`What ${c.column} is`"
              @update:model-value="emit('choose', c.column, { path: $event, unit: null })"
            /><span class="small quiet why">{{ c.why }}</span>
          </td>
          <td>
            <Select
              v-if="unitsOf(c.path).length"
              :label-id="idOf(at, 'unit')"
              :model-value="c.unit"
              :options="[...unitsOf(c.path)]"
              option-label="words"
              option-value="value"
              placeholder="say which"
              :aria-label="`Unit of ${c.column}`"
              @update:model-value="emit('choose', c.column, { path: c.path, unit: $event })"
            />
          </td>
        </tr>
      </tbody></table
  ></TableBox>
  <label class="row"
    ><span>Tenths are written</span
    ><Select
      label-id="table-decimal"
      :model-value="decimal ?? 'told'"
      :options="SIGNS"
      option-label="words"
      option-value="value"
      aria-label="How tenths are written"
      @update:model-value="emit('decimal', $event === 'told' ? null : $event)"
  /></label>
</template>

<style scoped>
table {
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 8px 12px;
  border-bottom: 1px solid var(--chalk-100);
}
td.figures {
  max-width: 16rem;
  overflow-wrap: anywhere;
}
.why {
  display: block;
  padding-top: 2px;
}
td :deep(.p-select) {
  min-width: 12rem;
}
</style>
