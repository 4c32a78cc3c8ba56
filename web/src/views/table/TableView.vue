<script setup lang="ts">
import { TABLE_KINDS, type TableKind } from '@warm-jar/core';
import Button from 'primevue/button';
import SelectButton from 'primevue/selectbutton';
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import BringCard from '../../components/BringCard.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import ColumnsTable from './ColumnsTable.vue';
import PastImports from './PastImports.vue';
import RowsLeftOut from './RowsLeftOut.vue';
import SaidOfAll from './SaidOfAll.vue';
import { KIND_WORDS, placeOfKind } from './kindWords';
import { rowsTold } from './tableRows';
import { useTable } from './useTable';

/**
 * A studio's own spreadsheet: its columns matched to fields, its rows looked through, brought in or taken back whole.
 */
const view = useTable();
const { table, reading, answer, busy, done, problem } = view;
const asked = useRoute().query['kind'];
if (table.value.kind === null && TABLE_KINDS.includes(asked as TableKind)) view.change({ kind: asked as TableKind });
const kinds = TABLE_KINDS.map((kind) => ({ kind, words: KIND_WORDS[kind].many }));
const told = computed(() => (reading.value ? rowsTold(reading.value, answer.value) : null));
const words = computed(() => KIND_WORDS[done.value?.kind ?? reading.value?.kind ?? 'batch']);
</script>

<template>
  <div class="stack">
    <h1>Bring in a spreadsheet</h1>
    <BringCard
      label="The table"
      choose="Choose a file"
      accept=".csv,.tsv,.txt,text/csv,text/tab-separated-values,text/plain"
      file-label="Table file"
      :name="table.name"
      hint="CSV or TSV, or copy the cells from your spreadsheet and paste them below."
      :text="table.text"
      text-id="table-text"
      text-label="Cells of the spreadsheet"
      placeholder="Paste the cells here, with their heads"
      :rows="table.text ? 3 : 6"
      :busy="busy"
      @open="view.open"
      @paste="view.change({ text: $event, chosen: {} })"
      @put-away="view.change({ name: '', text: '', chosen: {}, forAll: {}, decimal: null })"
    />
    <ProblemNote v-if="problem" :says="problem" />
    <p v-if="done" class="card row" role="status" data-test="done">
      <span
        ><strong>{{ done.count }}</strong> {{ done.count === 1 ? words.one : words.many }} came in.</span
      >
      <RouterLink :to="placeOfKind(done.kind)">See them</RouterLink>
      <Button label="Undo the whole import" severity="secondary" data-test="undo" @click="view.takeBack(done.id)" />
    </p>
    <template v-if="reading && told">
      <section class="stack" aria-labelledby="rows-are">
        <div class="row">
          <h2 id="rows-are">Its rows are</h2>
          <SelectButton
            :model-value="reading.kind"
            :options="kinds"
            option-label="words"
            option-value="kind"
            :allow-empty="false"
            aria-labelledby="rows-are"
            @update:model-value="view.change({ kind: $event, chosen: {}, forAll: {} })"
          />
        </div>
        <ColumnsTable
          :kind="reading.kind"
          :columns="reading.columns"
          :decimal="table.decimal"
          @choose="view.choose"
          @decimal="view.change({ decimal: $event })"
        />
        <SaidOfAll
          :kind="reading.kind"
          :columns="reading.columns"
          :for-all="table.forAll"
          @say="view.change({ forAll: { ...table.forAll, ...$event } })"
        />
      </section>
      <section class="stack" aria-labelledby="come-in">
        <h2 id="come-in" role="status" data-test="counts">
          {{ told.fits }} of {{ reading.rowCount }} {{ reading.rowCount === 1 ? 'row' : 'rows' }} can come in<template
            v-if="told.same"
            >, {{ told.same }} {{ told.same === 1 ? 'is' : 'are' }} here already</template
          >
        </h2>
        <p v-if="told.closed" class="quiet">
          {{ told.closed === told.fits ? 'They come' : `${told.closed} of them come` }} in as done: they are old, and
          say nothing else. Nothing of them will be due.
        </p>
        <RowsLeftOut v-if="told.out.length" :out="told.out" />
        <div class="row">
          <Button
            v-if="told.fits"
            :label="
              told.out.length
                ? `Import ${told.fits}, leave out ${told.out.length}`
                : `Import ${told.fits} ${told.fits === 1 ? words.one : words.many}`
            "
            :loading="busy"
            data-test="import"
            @click="view.bringIn"
          /><span v-if="told.fits" class="quiet small">All together or none; the whole can be taken back.</span>
          <p v-else class="quiet">Nothing can come in yet. Match the columns, or mend the rows in the spreadsheet.</p>
        </div>
      </section>
    </template>
    <PastImports :past="view.past.past.value" @undo="view.takeBack" />
  </div>
</template>
