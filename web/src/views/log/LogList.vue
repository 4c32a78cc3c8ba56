<script setup lang="ts">
import { STAGE_WORDS, type BatchSummary } from '@warm-jar/core';
import Paginator from 'primevue/paginator';
import { computed } from 'vue';
import { InTurn } from '../../components/InTurn';
import StateDot from '../../components/StateDot.vue';
import { startWords, symptomWords } from '../../components/words';
import { castingEnds, mouldsOf } from './logQuery';

/** The log on a phone: a batch is one target, with what one looks for in it. */
const props = defineProps<{
  items: readonly BatchSummary[];
  total: number;
  first: number;
  rows: number;
  empty: string;
}>();
const emit = defineEmits<{ page: [event: { page: number; rows: number }] }>();
/** So many are made in a row, with room for a tap before the next. */
const HANDFUL = 4;
const handfuls = computed(() =>
  Array.from({ length: Math.ceil(props.items.length / HANDFUL) }, (_, at) =>
    props.items.slice(at * HANDFUL, (at + 1) * HANDFUL),
  ),
);
const where = (b: BatchSummary) => [b.productName, mouldsOf(b)].filter(Boolean).join(', ');
const end = (b: BatchSummary) => (b.castings.length > 0 ? castingEnds(b) : (b.grade ?? ''));
</script>

<template>
  <p v-if="items.length === 0" class="card">{{ empty }}</p>
  <ul v-else data-test="log-list">
    <InTurn v-for="(handful, at) in handfuls" :key="at">
      <li v-for="b in handful" :key="b.code">
        <RouterLink class="card item" :to="{ name: 'batch', params: { code: b.code } }">
          <span class="head"
            ><strong class="figures">{{ b.code }}</strong
            ><span class="small quiet">{{ startWords(b) }}</span></span
          >
          <span>{{ where(b) }}</span>
          <span v-if="b.symptoms.length" class="seen">{{ b.symptoms.map(symptomWords).join('; ') }}</span>
          <span class="head"
            ><span class="small">{{ STAGE_WORDS[b.stage].toLowerCase() }}</span
            ><span class="small">{{ end(b) }}</span
            ><span class="small">outside: <StateDot :outside="b.outside" /></span></span
        ></RouterLink>
      </li>
    </InTurn>
  </ul>
  <InTurn v-if="total > rows"
    ><Paginator
      :first="first"
      :rows="rows"
      :total-records="total"
      template="PrevPageLink CurrentPageReport NextPageLink"
      current-page-report-template="{first} to {last} of {totalRecords}"
      @page="emit('page', $event)"
  /></InTurn>
</template>

<style scoped>
ul {
  display: grid;
  gap: var(--space-2);
}
.item {
  display: grid;
  gap: 2px;
  padding: var(--space-3);
  color: inherit;
  text-decoration: none;
  line-height: 1.3;
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0 var(--space-3);
}
.seen {
  font-weight: 650;
}
</style>
