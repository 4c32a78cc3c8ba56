<script setup lang="ts">
import Button from 'primevue/button';
import { computed, useTemplateRef } from 'vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { useImport } from './useImport';
import TableBox from '../../components/TableBox.vue';
import UnknownColumns from '../../components/importing/UnknownColumns.vue';

/** Cards brought in from JSON or CSV: what will change is shown first, and nothing is half-imported. */
const file = useTemplateRef<HTMLInputElement>('file');
const { name, preview, problem, busy, done, unknown, choose, apply } = useImport();
const WORDS = { new: 'new card', 'next-revision': 'next revision', same: 'no change', refused: 'refused' } as const;
const refused = computed(() => preview.value?.rows.filter((r) => r.action === 'refused').length ?? 0);
const good = computed(
  () => preview.value?.rows.filter((r) => r.action === 'new' || r.action === 'next-revision').length ?? 0,
);
</script>

<template>
  <div class="stack">
    <h1>Import products</h1>
    <p class="card">
      A spreadsheet of your own, with heads of its own?
      <RouterLink :to="{ name: 'import-table', query: { kind: 'product' } }">Match its columns instead</RouterLink>
    </p>
    <p class="quiet">
      A <code>warm-jar.product/1</code> JSON file, one card or a list, or a CSV in UTF-8 with the dotted names in its
      first row. Nothing happens before you have seen what will.
    </p>
    <div class="row">
      <Button label="Choose a file" icon="pi pi-upload" severity="secondary" @click="file?.click()" /><input
        ref="file"
        type="file"
        accept=".json,.csv,application/json,text/csv"
        class="visually-hidden"
        tabindex="-1"
        aria-label="Card file"
        @change="choose"
      /><span v-if="name">{{ name }}</span>
    </div>
    <ProblemNote v-if="problem" :says="problem" />
    <UnknownColumns :columns="unknown" />
    <p v-if="done !== null" class="card" data-test="done">
      {{ done === 0 ? 'Nothing had to change.' : `${done} card${done === 1 ? ' is' : 's are'} on the shelf.` }}
      <RouterLink :to="{ name: 'products' }">To the products</RouterLink>
    </p>
    <template v-if="preview && done === null">
      <TableBox label="Rows of the file"
        ><table class="card">
          <thead>
            <tr>
              <th scope="col">Row</th>
              <th scope="col">Card</th>
              <th scope="col">What happens</th>
              <th scope="col">Fields</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in preview.rows" :key="r.row" :class="r.action" :data-action="r.action">
              <td class="figures">{{ r.row }}</td>
              <td>{{ r.name ?? r.slug ?? 'no name' }}</td>
              <td>{{ r.action === 'next-revision' ? `revision ${r.revision}` : WORDS[r.action] }}</td>
              <td>
                <ul v-if="r.issues.length">
                  <li v-for="i in r.issues" :key="i.path + i.message">
                    <span class="figures">{{ i.path }}</span>: {{ i.message }}
                  </li>
                </ul>
                <span v-else class="small">{{
                  r.action === 'new' ? `${r.changed.length} stated` : r.changed.join(', ')
                }}</span>
              </td>
            </tr>
          </tbody>
        </table></TableBox
      >
      <div class="row">
        <Button
          v-if="good > 0"
          :label="refused === 0 ? `Import ${good}` : `Import ${good}, leave out ${refused}`"
          :loading="busy"
          @click="apply(refused > 0)"
        />
        <p v-else class="quiet">There is nothing to import.</p>
      </div>
    </template>
  </div>
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
.refused {
  color: var(--outside);
}
.same {
  color: var(--text-quiet);
}
</style>
