<script setup lang="ts">
import { sharePercent, type CauseShare, type SymptomKind } from '@warm-jar/core';
import { computed } from 'vue';
import CauseLink from '../../components/CauseLink.vue';
import NeighbourLink from './NeighbourLink.vue';

/** One cause with its share, what speaks for and against it, and what would prevent it. */
const props = defineProps<{ cause: CauseShare; first: boolean; product?: string; kind?: SymptomKind }>();
/** What the studio's own rate is worth, decibans. */
const here = computed(() => Math.round(100 * Math.log10(props.cause.here?.factor ?? 1)) / 10);
const signed = (v: number) => (v < 0 ? `−${Math.abs(v)}` : `+${v}`);
const percent = computed(() => sharePercent(props.cause.share));
const speaksFor = computed(() => props.cause.evidence.filter((e) => e.points > 0));
const speaksAgainst = computed(() => props.cause.evidence.filter((e) => e.points < 0));
</script>

<template>
  <article class="cause" :class="{ first }" :data-cause="cause.id">
    <div class="head">
      <h3>
        <CauseLink :id="cause.id" /><span v-if="cause.denied" class="small quiet denied"
          >the record speaks against it</span
        >
      </h3>
      <strong class="figures">{{ percent }} %</strong>
    </div>
    <div class="bar" aria-hidden="true">
      <svg><rect :width="`${cause.share * 100}%`" height="8" /></svg>
    </div>
    <p v-if="cause.here && cause.here.of > 0" class="small here" data-test="here">
      <span class="sign figures" :title="`${here} decibans`">{{ signed(here) }}</span><span>{{ cause.here.says }}</span>
    </p>
    <ul v-if="speaksFor.length" class="small">
      <li v-for="e in speaksFor" :key="e.field + e.says">
        <span class="sign figures" :title="`${e.points} decibans`">+{{ e.points }}</span
        ><span>{{ e.says }}<NeighbourLink :evidence="e" :product="product" :kind="kind" /></span>
      </li>
    </ul>
    <ul v-if="speaksAgainst.length" class="small quiet">
      <li v-for="e in speaksAgainst" :key="e.field + e.says">
        <span class="sign figures" :title="`${e.points} decibans`">−{{ Math.abs(e.points) }}</span
        ><span>{{ e.says }}<NeighbourLink :evidence="e" :product="product" :kind="kind" /></span>
      </li>
    </ul>
    <p v-if="cause.id === 'something-else'" class="small quiet">What the record and this list do not know.</p>
    <p v-else-if="!cause.evidence.length" class="small quiet">Nothing recorded speaks for or against it.</p>
  </article>
</template>

<style scoped>
h3 a {
  color: inherit;
  text-decoration-color: var(--card-edge);
  text-underline-offset: 4px;
}
h3 a:hover {
  text-decoration-color: currentcolor;
}
.cause {
  background: var(--card);
  border: 1px solid var(--card-edge);
  border-radius: var(--radius);
  padding: var(--space-3);
}
.first {
  border: 2px solid var(--ink-900);
}
.head {
  display: flex;
  justify-content: space-between;
  gap: var(--space-2);
  align-items: baseline;
}
.denied {
  display: block;
  font-weight: 400;
}
.head strong {
  white-space: nowrap;
  font-size: 1.1rem;
}
.bar {
  background: var(--track);
  height: 8px;
  margin: 6px 0;
}
.bar svg {
  display: block;
  width: 100%;
  height: 8px;
}
rect {
  fill: var(--ink-900);
}
li,
.here {
  display: grid;
  grid-template-columns: 3.5rem minmax(0, 1fr);
  padding: 2px 0;
  line-height: 1.3;
}
.sign {
  font-weight: 700;
}
</style>
