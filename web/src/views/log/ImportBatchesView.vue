<script setup lang="ts">
import Button from 'primevue/button';
import ProgressBar from 'primevue/progressbar';
import { computed, useTemplateRef } from 'vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { useImportBatches } from './useImportBatches';
import TableBox from '../../components/TableBox.vue';
import UnknownColumns from '../../components/importing/UnknownColumns.vue';

/** Batches brought in from JSON or CSV: what will happen is shown first, refused rows with what to mend. */
const file = useTemplateRef<HTMLInputElement>('file');
const { name, problem, rows, done, progress, unknown, choose, apply, fresh, same, differs, refused } =
  useImportBatches();
const WORDS = {
  new: 'new',
  same: 'already in the log',
  differs: 'in the log, and different',
  refused: 'refused',
} as const;
/** What has to be read comes first; what changes nothing is counted, not listed. */
const MAX_LISTED = 200;
const RANK = { refused: 0, differs: 1, new: 2, same: 3 } as const;
const listed = computed(() =>
  [...(rows.value ?? [])]
    .filter((r) => r.action !== 'same')
    .sort((a, b) => RANK[a.action] - RANK[b.action] || a.row - b.row)
    .slice(0, MAX_LISTED),
);
</script>

<template>
  <div class="stack">
    <div class="row spread">
      <h1>Import batches</h1>
      <RouterLink :to="{ name: 'log' }">To the log</RouterLink>
    </div>
    <p class="card">
      A spreadsheet of your own, with heads of its own?
      <RouterLink :to="{ name: 'import-table', query: { kind: 'batch' } }">Match its columns instead</RouterLink>
    </p>
    <p class="quiet">
      A <code>warm-jar.batch/1</code> JSON file, one batch or a list, or a CSV in UTF-8 with the dotted names in its
      first row, as the log hands them out. Nothing happens before you have seen what will.
    </p>
    <div class="row">
      <Button label="Choose a file" icon="pi pi-upload" severity="secondary" @click="file?.click()" /><input
        ref="file"
        type="file"
        accept=".json,.csv,application/json,text/csv"
        class="visually-hidden"
        tabindex="-1"
        aria-label="Batch file"
        @change="choose"
      /><span v-if="name">{{ name }}</span>
    </div>
    <ProgressBar v-if="progress !== null" :value="Math.round(progress * 100)" aria-label="Progress" />
    <ProblemNote v-if="problem" :says="problem" />
    <UnknownColumns :columns="unknown" />
    <p v-if="done !== null" class="card" data-test="done">
      {{ done === 0 ? 'Nothing had to change.' : `${done} batch${done === 1 ? ' is' : 'es are'} in the log.` }}
      <RouterLink :to="{ name: 'log' }">To the log</RouterLink>
    </p>
    <template v-if="rows && done === null">
      <p class="card" data-test="counts">
        <strong>{{ fresh }}</strong> new, <strong>{{ differs }}</strong> in the log and different,
        <strong>{{ same }}</strong> already there,
        <strong :class="{ refused: refused > 0 }">{{ refused }}</strong> refused.
      </p>
      <div class="row">
        <Button
          v-if="fresh > 0"
          :label="refused + differs === 0 ? `Import ${fresh}` : `Import the ${fresh} new, leave the rest out`"
          :disabled="progress !== null"
          @click="apply(false)"
        /><Button
          v-if="differs > 0"
          severity="secondary"
          :label="`Import all, ${differs} as new versions`"
          :disabled="progress !== null"
          @click="apply(true)"
        />
        <p v-if="fresh + differs === 0" class="quiet">There is nothing to import.</p>
      </div>
      <TableBox label="Rows of the file" v-if="listed.length"
        ><table class="card">
          <thead>
            <tr>
              <th scope="col">Row</th>
              <th scope="col">Batch</th>
              <th scope="col">What happens</th>
              <th scope="col">Fields</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in listed" :key="r.row" :class="r.action" :data-action="r.action">
              <td class="figures">{{ r.row }}</td>
              <td class="figures">{{ r.code ?? 'the next free code' }}</td>
              <td>{{ WORDS[r.action] }}</td>
              <td>
                <ul v-if="r.issues.length">
                  <li v-for="i in r.issues" :key="i.path + i.message">
                    <span class="figures">{{ i.path }}</span>: {{ i.message }}
                  </li>
                </ul>
                <span v-else class="small">{{ r.changed.slice(0, 12).join(', ') }}</span>
              </td>
            </tr>
          </tbody>
        </table></TableBox
      >
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
</style>
