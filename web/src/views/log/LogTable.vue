<script setup lang="ts">
import { STAGE_WORDS, type BatchSummary } from '@warm-jar/core';
import Button from 'primevue/button';
import Checkbox from 'primevue/checkbox';
import { computed, ref, useTemplateRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { InTurn } from '../../components/InTurn';
import StateDot from '../../components/StateDot.vue';
import TableBox from '../../components/TableBox.vue';
import { startWords, symptomWords } from '../../components/words';
import { useUnits } from '../../stores/units';
import CastingsRow from './CastingsRow.vue';
import { castingEnds, COLUMNS, mouldsOf, nextSort, SORTED_BY_SERVER, type ColumnId } from './logQuery';
import { MOVABLE, useMovableColumns } from './useMovableColumns';

/**
 * The rows of the log. A plain table: the library's makes a component of every cell, and 25 rows took longer to draw
 * than all else of the page (docs/performance.md).
 */
const props = defineProps<{
  items: readonly BatchSummary[];
  columns: readonly ColumnId[];
  /** As the address has it: a column, with - before it for last first. */
  sort: string;
  busy: boolean;
  empty: string;
}>();
const picked = defineModel<readonly BatchSummary[]>('picked', { required: true });
const emit = defineEmits<{ sort: [by: string | undefined]; columns: [ids: readonly ColumnId[]] }>();
const router = useRouter();
const units = useUnits();
const shown = computed(() => props.columns.map((id) => COLUMNS.find((c) => c.id === id)!));
const { onHeadingKey } = useMovableColumns(
  useTemplateRef<HTMLElement>('head'),
  () => props.columns,
  (ids) => {
    emit('columns', ids);
  },
);
function wayOf(id: string): 'ascending' | 'descending' | 'none' {
  if (props.sort === id) return 'ascending';
  return props.sort === `-${id}` ? 'descending' : 'none';
}
const headings = computed(() => [
  { id: 'code', words: 'Batch', sorted: true, moved: false },
  ...shown.value.map(({ id, words }) => ({ id, words, sorted: SORTED_BY_SERVER.has(id), moved: true })),
]);
const sortBy = (id: string) => {
  emit('sort', nextSort(props.sort, id));
};
/** Rows that are made in one go; the next come when a tap had its chance. */
const HANDFUL = 5;
const handfuls = computed(() =>
  Array.from({ length: Math.ceil(props.items.length / HANDFUL) }, (_, i) =>
    props.items.slice(i * HANDFUL, (i + 1) * HANDFUL),
  ),
);
/** Handfuls that are made, and whether all of the first rows are: columns are as wide as their rows need, and would move. */
const [madeHandfuls, whole] = [ref(0), ref(false)];
const isComing = computed(() => !whole.value && props.items.length > 0);
const made = (handful: number) => {
  madeHandfuls.value = Math.max(madeHandfuls.value, handful + 1);
};
// Other rows may come before the first are made, and fewer.
watch([madeHandfuls, handfuls], ([done, all]) => {
  if (all.length > 0 && done >= all.length) whole.value = true;
});
/** Rows whose castings are shown. */
const opened = ref<ReadonlySet<string>>(new Set());
const apart = computed(() => props.items.some((b) => b.castings.length > 0));
function open({ code }: BatchSummary): void {
  const others = [...opened.value].filter((other) => other !== code);
  opened.value = new Set(opened.value.has(code) ? others : [...others, code]);
}
const codes = computed(() => new Set(picked.value.map((b) => b.code)));
const pick = (batch: BatchSummary, on: boolean) => {
  const others = picked.value.filter(({ code }) => code !== batch.code);
  picked.value = on ? [...others, batch] : others;
};
const allPicked = computed(() => props.items.length > 0 && props.items.every(({ code }) => codes.value.has(code)));
const pickAll = (on: boolean) => {
  const here = new Set(props.items.map(({ code }) => code));
  picked.value = [...picked.value.filter(({ code }) => !here.has(code)), ...(on ? props.items : [])];
};
const openBatch = ({ code }: BatchSummary) => {
  void router.push({ name: 'batch', params: { code } });
};
const width = computed(() => headings.value.length + (apart.value ? 2 : 1));
</script>

<template>
  <TableBox label="batches">
    <table :aria-busy="busy" :class="{ coming: isComing }">
      <thead>
        <tr ref="head">
          <th class="hand">
            <Checkbox
              :model-value="allPicked"
              binary
              aria-label="Pick all on this page"
              @update:model-value="pickAll"
            />
          </th>
          <th v-if="apart" class="hand"><span class="visually-hidden">Castings</span></th>
          <th
            v-for="h in headings"
            :key="h.id"
            :class="{ [MOVABLE]: h.moved, sorted: h.sorted && wayOf(h.id) !== 'none', sortable: h.sorted }"
            :data-column="h.moved ? h.id : undefined"
            :tabindex="h.sorted || h.moved ? 0 : undefined"
            :title="h.moved ? 'Drag to move the column, or Shift with an arrow key' : undefined"
            :aria-sort="h.sorted ? wayOf(h.id) : undefined"
            @click="h.sorted && sortBy(h.id)"
            @keydown.enter.self="h.sorted && sortBy(h.id)"
            @keydown.space.self.prevent="h.sorted && sortBy(h.id)"
            @keydown="h.moved && onHeadingKey($event, h.id as ColumnId)"
          >
            <span class="words">{{ h.words }}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-if="items.length === 0">
          <td :colspan="width" class="nothing">{{ empty }}</td>
        </tr>
        <InTurn v-for="(some, i) in handfuls" :key="i">
          <template v-for="b in some" :key="b.code">
            <tr class="batch" @click="openBatch(b)" @vue:mounted="made(i)">
              <td class="hand">
                <Checkbox
                  :model-value="codes.has(b.code)"
                  binary
                  :aria-label="`Pick ${b.code}`"
                  @click.stop
                  @update:model-value="pick(b, $event)"
                />
              </td>
              <td v-if="apart" class="hand">
                <Button
                  v-if="b.castings.length"
                  :icon="opened.has(b.code) ? 'pi pi-chevron-down' : 'pi pi-chevron-right'"
                  severity="secondary"
                  text
                  :aria-expanded="opened.has(b.code)"
                  :aria-label="`Castings of ${b.code}`"
                  @click.stop="open(b)"
                />
              </td>
              <th scope="row">
                <RouterLink class="figures code" :to="{ name: 'batch', params: { code: b.code } }" @click.stop>{{
                  b.code
                }}</RouterLink>
              </th>
              <td v-for="{ id } in shown" :key="id" :class="id">
                <template v-if="id === 'startedAt'">{{ startWords(b) }}</template>
                <template v-else-if="id === 'mould'">{{ mouldsOf(b) }}</template>
                <template v-else-if="id === 'grade' && b.castings.length">{{ castingEnds(b) }}</template>
                <template v-else-if="id === 'productSlug'">{{ b.productName }}</template>
                <template v-else-if="id === 'stage'">{{ STAGE_WORDS[b.stage].toLowerCase() }}</template>
                <StateDot v-else-if="id === 'outside'" :outside="b.outside" />
                <template v-else-if="id === 'massG'">{{ b.massG === null ? '' : units.say(b.massG, 'g') }}</template>
                <template v-else-if="id === 'seen'"
                  ><RouterLink
                    v-for="s in b.symptoms"
                    :key="s.kind + s.pattern"
                    class="symptom"
                    :to="{ name: 'diagnosis', params: { code: b.code } }"
                    @click.stop
                    >{{ symptomWords(s) }}</RouterLink
                  ></template
                >
                <template v-else>{{ b[id] ?? '' }}</template>
              </td>
            </tr>
            <tr v-if="opened.has(b.code)">
              <td :colspan="width"><CastingsRow :batch="b" /></td>
            </tr>
          </template>
        </InTurn>
      </tbody>
    </table>
  </TableBox>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
table[aria-busy='true'] {
  opacity: 0.55;
}
.coming {
  visibility: hidden;
}
thead th {
  padding: 12px 8px;
  font-weight: 600;
  white-space: nowrap;
}
th,
td {
  text-align: start;
  border-bottom: 1px solid var(--card-edge);
}
.words {
  display: inline-flex;
  gap: var(--space-1);
}
.sortable {
  cursor: pointer;
}
.sortable:hover,
.sorted {
  color: var(--action);
}
/* The arrow is for the eye: what reads aloud is told by aria-sort. */
.sortable .words::after {
  content: '' / '';
  display: inline-block;
  width: 0.7em;
}
[aria-sort='ascending'] .words::after {
  content: '↑' / '';
}
[aria-sort='descending'] .words::after {
  content: '↓' / '';
}
.hand {
  width: 3rem;
}
tbody td,
tbody th {
  padding: 9px 8px;
  white-space: nowrap;
  font-weight: inherit;
}
.batch {
  cursor: pointer;
}
.batch:hover {
  background: var(--track);
}
.code {
  font-weight: 700;
}
.massG,
.lotA,
.lotB {
  font-family: var(--figures);
}
.symptom {
  display: block;
  min-width: 9rem;
  white-space: normal;
}
.note {
  font-size: 0.875rem;
  min-width: 12rem;
  white-space: normal;
}
.grade {
  min-width: 6.5rem;
  white-space: normal;
}
.nothing {
  padding: var(--space-5);
  text-align: center;
  white-space: normal;
}
@media print {
  /* Picking and opening are done on the screen; what is left shares the sheet. */
  .hand {
    display: none;
  }
  thead th,
  tbody td,
  tbody th {
    font-size: 0.78rem;
    padding: 3px 4px;
    white-space: normal;
    min-width: 0;
  }
  .symptom {
    min-width: 0;
  }
}
</style>
