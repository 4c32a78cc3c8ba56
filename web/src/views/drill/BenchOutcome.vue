<script setup lang="ts">
import { sharePercent, type BenchResult, type BenchView } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed } from 'vue';
import CastPicture from '../../components/CastPicture.vue';
import CauseLink from '../../components/CauseLink.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { symptomWords } from '../../components/words';
import { useBeginDrill } from './useBeginDrill';

/** The cast of a run: what it shows, what made it so, and what the ledger makes of the record. */
const props = defineProps<{ view: BenchView; result: BenchResult }>();
const begin = useBeginDrill();
const verdict = computed(() => {
  if (props.result.lost) return 'It set in the cup';
  return props.result.faults.length === 0 ? 'A sound cast' : 'What your run made';
});
</script>

<template>
  <div :class="{ columns: !result.lost }" data-test="outcome">
    <figure v-if="!result.lost" class="card piece">
      <CastPicture :look="view.look" :seen="result.faults" />
      <figcaption class="first-up">
        {{ result.faults.length ? result.faults.map(symptomWords).join('; ') : verdict }}
      </figcaption>
    </figure>
    <div class="stack">
      <section class="card stack" aria-labelledby="bench-verdict">
        <h2 id="bench-verdict">{{ verdict }}</h2>
        <p v-if="result.lost">The pot life ran out before it was poured: the cup and its resin are lost.</p>
        <div v-for="f in result.faults" :key="f.kind" :data-fault="f.cause">
          <h3>
            <CauseLink :id="f.cause" />
          </h3>
          <p>{{ f.because }}</p>
        </div>
        <div v-if="result.mishap" class="mishap" data-test="mishap">
          <h3>{{ result.mishap.title }}</h3>
          <p>{{ result.mishap.says }}</p>
        </div>
        <p v-else class="quiet small">Nothing went wrong in this run by itself.</p>
      </section>
      <section v-if="result.diagnosis.length" class="card stack" aria-labelledby="bench-ledger">
        <h2 id="bench-ledger">What the ledger makes of its record</h2>
        <p class="small quiet">By what was read, weighed and timed alone.</p>
        <div v-for="d in result.diagnosis" :key="d.kind">
          <h3 class="first-up">{{ symptomWords(d) }}</h3>
          <dl>
            <div v-for="cause in d.causes" :key="cause.id" class="cause">
              <dt class="row spread">
                <strong>{{ cause.title }}</strong><span class="figures">{{ sharePercent(cause.share) }} %</span>
              </dt>
              <dd class="small">{{ cause.says.join(' ') }}</dd>
            </div>
          </dl>
        </div>
      </section>
      <section v-if="result.figures.length" class="card" aria-labelledby="bench-figures">
        <h2 id="bench-figures">The run in figures</h2>
        <dl>
          <div v-for="f in result.figures" :key="f.label" class="row spread">
            <dt>{{ f.label }}</dt>
            <dd class="figures">{{ f.says }}</dd>
          </div>
        </dl>
      </section>
      <ProblemNote v-if="begin.problem.value" :says="begin.problem.value" />
      <div class="row">
        <Button label="Another run" data-test="another" :disabled="begin.busy.value" @click="begin.bench" />
        <RouterLink :to="{ name: 'drill', params: {} }">All drills, and how you are doing</RouterLink>
      </div>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: var(--space-4);
  align-items: start;
}
.piece {
  display: grid;
  gap: var(--space-3);
  margin: 0;
  padding: var(--space-3);
}
.mishap {
  border-left: 5px solid var(--part-a);
  padding-left: var(--space-3);
}
.cause {
  padding-top: var(--space-2);
}
@media (max-width: 52em) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
