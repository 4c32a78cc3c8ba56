<script setup lang="ts">
import { sayMinutes, sharePercent, type DrillView } from '@warm-jar/core';
import { computed } from 'vue';
import CauseLink from '../../components/CauseLink.vue';
import { dayAndTime } from '../../components/words';

/** What it was, what the answer was worth, and the ledger's argument, step by step. */
const props = defineProps<{ drill: DrillView }>();
const result = computed(() => props.drill.result!);
const scored = (score: number) => (score < 0 ? `−${Math.abs(Math.round(score))}` : String(Math.round(score)));
const signed = (points: number) => (points < 0 ? `−${Math.abs(points)}` : `+${points}`);
const given = computed(() => {
  const sure = new Map(result.value.shares.map((s) => [s.id, s.share]));
  return result.value.truth.map((t) => `${sharePercent(sure.get(t.id) ?? 0)} %`).join(' and ');
});
const surest = computed(() => [...result.value.shares].sort((a, b) => b.share - a.share)[0]);
const isWrong = computed(
  () => surest.value !== undefined && !result.value.truth.some((t) => t.id === surest.value!.id),
);
const rightMend = computed(() => props.drill.mends.find((m) => m.id === result.value.mend?.right));
const mendSays = computed(() => {
  const { mend } = result.value;
  if (!mend) return 'Whatever the cause, this one is mended alike.';
  if (mend.isRight) return 'Your mend is the right one.';
  return mend.chosen === '' ? 'You chose no mend.' : 'Your mend does not mend this.';
});
</script>

<template>
  <section class="card outcome" aria-labelledby="drill-outcome" data-test="outcome">
    <p class="small quiet">It was</p>
    <h2 id="drill-outcome">
      <template v-for="(t, i) in result.truth" :key="t.id"
        ><template v-if="i > 0"> and </template><CauseLink :id="t.id"
      /></template>
    </h2>
    <dl class="figures-of">
      <div>
        <dt>Your score</dt>
        <dd class="figures big" data-test="score">{{ scored(result.score) }}</dd>
        <dd class="small quiet">
          You gave it {{ given
          }}<template v-if="isWrong && surest"
            >; {{ sharePercent(surest.share) }} % to <CauseLink :id="surest.id" /></template
          >.
        </dd>
      </div>
      <div>
        <dt>The ledger</dt>
        <dd class="figures big">{{ scored(result.best.score) }}</dd>
        <dd class="small quiet">
          {{ scored(result.withSame.score) }} with what you had asked.<template v-if="result.mend">
            Its mend would have been {{ result.best.mendRight ? 'right' : 'wrong' }}.</template
          >
        </dd>
      </div>
      <div>
        <dt>Minutes asking</dt>
        <dd class="figures big" data-test="minutes">{{ result.minutes }}</dd>
        <dd class="small quiet">
          The ledger needed {{ sayMinutes(result.best.minutes)
          }}<template v-if="result.best.asked.length">: {{ result.best.asked.join('; ') }}</template
          >.
        </dd>
      </div>
      <div>
        <dt>The mend</dt>
        <dd :class="{ wrong: result.mend && !result.mend.isRight }">
          <strong data-test="mend-says">{{ mendSays }}</strong>
        </dd>
        <dd v-if="result.mend && !result.mend.isRight && rightMend" class="small">{{ rightMend.steps.join(' ') }}</dd>
      </div>
    </dl>
    <p class="small quiet">100 is all of it on what it was, 0 an even spread, less is surer and wrong.</p>
    <p v-if="drill.comesBack" class="small" data-test="comes-back">
      What you took for each other comes back on {{ dayAndTime(drill.comesBack) }}.
    </p>
  </section>
  <section class="card" aria-labelledby="drill-argued">
    <h2 id="drill-argued">The ledger’s argument, step by step</h2>
    <ol class="steps">
      <li v-for="(s, i) in result.steps" :key="i" :data-step="i">
        <h3>{{ s.title }}</h3>
        <div class="step">
          <ul class="small">
            <li v-for="(e, k) in s.says" :key="k">
              <span class="figures sign">{{ signed(e.points) }}</span>
              <span
                ><strong>{{ e.title }}.</strong> {{ e.says }}</span
              >
            </li>
            <li v-if="i > 0 && s.says.length === 0" class="quiet">It moves none of these.</li>
          </ul>
          <dl class="bars small">
            <div v-for="b in s.shares" :key="b.id">
              <dt :class="{ was: result.truth.some((t) => t.id === b.id) }">{{ b.title }}</dt>
              <dd>
                <svg viewBox="0 0 100 8" preserveAspectRatio="none" aria-hidden="true">
                  <rect width="100" height="8" class="ground" />
                  <rect :width="b.share * 100" height="8" class="sure" />
                </svg>
                <span class="figures">{{ sharePercent(b.share) }} %</span>
              </dd>
            </div>
          </dl>
        </div>
      </li>
    </ol>
    <p class="small quiet">Signs are decibans: 10 makes ten to one.</p>
  </section>
</template>

<style scoped>
.outcome {
  display: grid;
  gap: var(--space-2);
  border: 2px solid var(--ink-900);
}
.outcome h2 {
  font-size: 1.5rem;
}
.figures-of {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(11rem, 100%), 1fr));
  gap: var(--space-4);
}
.figures-of dt {
  font-weight: 650;
}
.big {
  font-size: 2rem;
  font-weight: 700;
  line-height: 1.1;
}
.wrong {
  color: var(--outside);
}
.steps {
  display: grid;
  gap: var(--space-4);
  padding-left: 1.4rem;
  list-style: decimal;
}
.step {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(14rem, 2fr);
  gap: var(--space-4);
  padding-top: var(--space-2);
}
.step ul {
  display: grid;
  gap: 4px;
  align-content: start;
}
.step li {
  display: grid;
  grid-template-columns: 3.2rem minmax(0, 1fr);
  gap: var(--space-2);
}
.step li.quiet {
  display: block;
}
.sign {
  text-align: right;
  font-weight: 700;
}
.bars {
  display: grid;
  gap: 4px;
  align-content: start;
}
.bars dd {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 3.4rem;
  gap: var(--space-2);
  align-items: center;
}
.bars .figures {
  text-align: right;
}
.was {
  font-weight: 700;
}
svg {
  width: 100%;
  height: 8px;
}
.ground {
  fill: var(--track);
}
.sure {
  fill: var(--action);
}
@media (max-width: 48em) {
  .step {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
