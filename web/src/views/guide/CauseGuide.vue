<script setup lang="ts">
import {
  FAMILY_WORDS,
  PATTERNS_BY_SYMPTOM,
  causeTitle,
  termOfField,
  type CauseId,
  type CausePage,
  type SymptomKind,
} from '@warm-jar/core';
import { computed, watch } from 'vue';
import { api } from '../../api/client';
import { guideApi } from '../../api/guide';
import CastPicture from '../../components/CastPicture.vue';
import PatternPicture from '../../components/PatternPicture.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { useLoaded } from '../../components/useLoaded';
import { symptomWords } from '../../components/words';
import { useUnits } from '../../stores/units';

/** One cause: how it looks and comes about, what speaks for it, what tells it apart, the mend, and how often here. */
const props = defineProps<{ id: string }>();
const units = useUnits();
const { value, problem, load } = useLoaded(async (): Promise<{ page: CausePage; here: number }> => {
  const [page, here] = await Promise.all([
    guideApi.cause(props.id, units.choice),
    api.batches({ outcome: props.id, pageSize: '1' }),
  ]);
  return { page, here: here.total };
}, 'This page could not be read.');
watch(
  () => units.choice,
  () => void load(),
);
const page = computed(() => value.value?.page ?? null);
/** As many pictures as stand side by side. */
const MOST_PICTURES = 4;
/** A pattern that nobody named has no picture, where its symptom has others. */
const isDrawn = ({ kind, pattern }: { kind: SymptomKind; pattern: string }) =>
  pattern !== 'unspecified' || PATTERNS_BY_SYMPTOM[kind].length === 1;
const pictures = computed(() =>
  (page.value?.shows ?? []).filter((s) => s.share >= 0.03 && isDrawn(s)).slice(0, MOST_PICTURES),
);
const families = computed(() => page.value?.families?.map((f) => FAMILY_WORDS[f].title.toLowerCase()).join(', '));
const showing = (kind: SymptomKind, pattern: string) => symptomWords({ kind, pattern });
</script>

<template>
  <h1>{{ causeTitle(id as CauseId) }}</h1>
  <ProblemNote v-if="problem" :says="problem" again @again="load" />
  <article v-if="page" class="stack" :data-cause="page.id">
    <p v-if="families" class="quiet">Only in {{ families }}.</p>
    <ul class="pictures">
      <li class="card drawn">
        <CastPicture :look="page.example.look" :seen="[page.example]" />
        <span class="small">A cast of {{ page.example.product }}</span>
      </li>
      <li v-for="s in pictures" :key="s.kind + s.pattern" class="card">
        <PatternPicture :kind="s.kind" :pattern="s.pattern" />
        <span class="small">{{ showing(s.kind, s.pattern) }}</span>
      </li>
    </ul>
    <div class="columns">
      <section class="card" aria-labelledby="g-looks">
        <h2 id="g-looks">How it looks</h2>
        <p>{{ page.looks }}</p>
        <h2>How it comes about</h2>
        <p>{{ page.how }}</p>
      </section>
      <section class="card" aria-labelledby="g-speaks">
        <h2 id="g-speaks">What in the record speaks for it</h2>
        <p v-if="page.speaks.length === 0" class="quiet">No figure of the record: only how it looks.</p>
        <dl v-else class="speaks">
          <template v-for="s in page.speaks" :key="s.field"
            ><dt>
              <RouterLink
                v-if="termOfField(s.field)"
                :to="{ name: 'help', params: { term: termOfField(s.field)!.id } }"
                >{{ s.label }}</RouterLink><template v-else>{{ s.label }}</template>
            </dt>
            <dd class="figures">+{{ s.points.toFixed(0) }}</dd></template
          >
        </dl>
        <p class="small quiet">
          Decibans, on average where it spoke, in made-up batches that this spoiled: 10 is ten to one.
        </p>
        <h2>How often here</h2>
        <p v-if="value && value.here > 0">
          It turned out to be this in
          <RouterLink :to="{ name: 'log', query: { outcome: id } }"
            >{{ value.here }} {{ value.here === 1 ? 'batch' : 'batches' }}</RouterLink
          >.
        </p>
        <p v-else class="quiet">No batch here is known to have been spoiled by it.</p>
      </section>
    </div>
    <section class="card" aria-labelledby="g-apart">
      <h2 id="g-apart">What it is taken for</h2>
      <div class="columns">
        <div v-for="n in page.neighbours" :key="n.id" :data-neighbour="n.id">
          <h3>
            <RouterLink :to="{ name: 'guide', params: { part: 'causes', id: n.id } }">{{ n.title }}</RouterLink>
          </h3>
          <dl class="apart">
            <template v-for="t in n.tests" :key="t.title"
              ><dt>{{ t.title }}</dt>
              <dd>
                this: {{ t.here }}<template v-if="t.there"><br />that: {{ t.there }}</template>
              </dd></template
            >
            <template v-if="n.here.length"
              ><dt>Speaks for this alone</dt>
              <dd>{{ n.here.join('; ') }}</dd></template
            >
            <template v-if="n.there.length"
              ><dt>Speaks for that alone</dt>
              <dd>{{ n.there.join('; ') }}</dd></template
            >
          </dl>
        </div>
      </div>
    </section>
    <section v-if="page.tests.length" class="card" aria-labelledby="g-tests">
      <h2 id="g-tests">Quick tests</h2>
      <div v-for="t in page.tests" :key="t.id" class="test">
        <h3>{{ t.title }}</h3>
        <p>
          {{ t.how }} <strong>It is this where: {{ t.says }}.</strong>
        </p>
        <p v-if="t.caution" class="caution small">
          <i class="pi pi-exclamation-triangle" aria-hidden="true" /> {{ t.caution }}
        </p>
      </div>
    </section>
    <section class="card" aria-labelledby="g-mend">
      <h2 id="g-mend">The mend, and the next batch</h2>
      <p class="small quiet">
        For example: {{ page.example.product }}, {{ showing(page.example.kind, page.example.pattern) }}. The diagnosis
        of your own batch goes by its own card and state.
      </p>
      <div class="columns">
        <div>
          <h3>Mend this one</h3>
          <ol class="steps">
            <li v-for="s in page.mend.steps" :key="s">{{ s }}</li>
          </ol>
        </div>
        <div>
          <h3>Make the next one so</h3>
          <ul class="steps">
            <li v-for="s in page.prevention" :key="s">{{ s }}</li>
          </ul>
        </div>
      </div>
    </section>
  </article>
</template>

<style scoped>
.pictures {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
  gap: var(--space-3);
}
.pictures li {
  display: grid;
  gap: 4px;
  padding: var(--space-3);
  max-width: 15rem;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(22rem, 100%), 1fr));
  gap: var(--space-4);
}
.card p + h2 {
  margin-top: var(--space-4);
}
.speaks {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px var(--space-4);
  padding-block: var(--space-2);
}
.apart dt {
  font-weight: 650;
  padding-top: var(--space-2);
}
.test {
  padding-top: var(--space-3);
}
.caution {
  background: var(--caution-ground);
  border-left: 5px solid var(--caution-edge);
  padding: var(--space-2) var(--space-3);
  margin-top: var(--space-2);
}
.steps {
  display: grid;
  gap: var(--space-2);
  padding-left: 1.4rem;
  align-content: start;
}
ol.steps {
  list-style: decimal;
}
ul.steps {
  list-style: disc;
}
@media print {
  .card {
    break-inside: avoid;
  }
}
</style>
