<script setup lang="ts">
import { LEVEL_WORDS, sayMinutes } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed } from 'vue';
import CastPicture from '../../components/CastPicture.vue';
import KeyCap from '../../components/KeyCap.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { symptomWords } from '../../components/words';
import { onSaveKey } from '../../keys/keys';
import DrillAsks from './DrillAsks.vue';
import DrillOutcome from './DrillOutcome.vue';
import DrillRecord from './DrillRecord.vue';
import MendChoice from './MendChoice.vue';
import SurenessEntry from './SurenessEntry.vue';
import { useBeginDrill } from './useBeginDrill';
import { useDrill } from './useDrill';

/** A made-up batch with a hidden cause: the cast, its record, what can be asked, and how sure one is. */
const props = defineProps<{ id: string }>();
const { view, problem, busy, said, left, mend, load, give, ask, answer } = useDrill(props.id);
const begin = useBeginDrill();
const another = () => void begin.diagnosis(view.value?.level ?? 1);
const isDone = computed(() => view.value?.result != null);
const seenWords = computed(() => {
  const drill = view.value;
  return drill ? `${symptomWords(drill.seen)}, ${sayMinutes(drill.seen.afterH * 60)} after its parts met` : '';
});
onSaveKey(() => {
  if (!view.value) return;
  if (isDone.value) another();
  else void answer();
});
</script>

<template>
  <template v-if="problem && !view">
    <h1>Drill</h1>
    <ProblemNote :says="problem" again @again="load" />
    <p><RouterLink :to="{ name: 'drill', params: {} }">All drills</RouterLink></p>
  </template>
  <article v-if="view" class="stack" :data-drill="view.id" :data-done="isDone">
    <div class="row spread head">
      <div>
        <h1>What went wrong?</h1>
        <p class="quiet small">
          A made-up batch of {{ view.product.name }}. Nothing here touches the log. {{ LEVEL_WORDS[view.level].title }}:
          {{ LEVEL_WORDS[view.level].says }}
        </p>
      </div>
      <p class="spent">
        <strong class="figures" data-test="spent">{{ sayMinutes(view.spentMin) }}</strong>
        <span class="small quiet">spent asking</span>
      </p>
    </div>
    <ProblemNote v-if="problem" :says="problem" />
    <template v-if="isDone">
      <DrillOutcome :drill="view" />
      <div class="row">
        <Button label="Another like this" data-test="another" :disabled="begin.busy.value" @click="another" />
        <span class="quiet small"><KeyCap k="Ctrl" /> <KeyCap k="Enter" /></span>
        <RouterLink :to="{ name: 'drill', params: {} }">All drills, and how you are doing</RouterLink>
      </div>
    </template>
    <div class="columns">
      <div class="stack">
        <figure class="card piece">
          <CastPicture :look="view.cast" :seen="[view.seen]" />
          <figcaption>
            <span class="first-up">{{ seenWords }}</span>
          </figcaption>
        </figure>
        <DrillAsks v-if="!isDone" :drill="view" :busy="busy" @ask="ask" />
      </div>
      <DrillRecord :drill="view" :busy="busy" @ask="ask" />
      <form v-if="!isDone" class="card stack answer" @submit.prevent="answer">
        <h2>How sure are you?</h2>
        <SurenessEntry :causes="view.causes" :said="said" :left="left" @give="give" />
        <MendChoice v-if="view.mends.length" :mends="view.mends" :chosen="mend" @choose="mend = $event" />
        <Button type="submit" label="That is my answer" data-test="answer" :disabled="busy" />
        <p class="small quiet">
          <KeyCap k="Ctrl" /> <KeyCap k="Enter" />. Scored so that saying what you believe pays best.
        </p>
      </form>
    </div>
    <ProblemNote v-if="begin.problem.value" :says="begin.problem.value" />
  </article>
</template>

<style scoped>
.head {
  flex-wrap: nowrap;
  align-items: flex-start;
}
.spent {
  display: flex;
  flex-direction: column;
  text-align: right;
  white-space: nowrap;
}
.spent .figures {
  font-size: 2rem;
  line-height: 1;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 7fr) minmax(0, 5fr);
  gap: var(--space-4);
  align-items: start;
}
[data-done='true'] .columns {
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
}
.piece {
  display: grid;
  gap: var(--space-3);
  margin: 0;
  padding: var(--space-3);
}
.first-up {
  display: block;
}
@media (max-width: 72em) {
  .columns,
  [data-done='true'] .columns {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
  .answer {
    grid-column: 1 / -1;
  }
}
@media (max-width: 46em) {
  .columns,
  [data-done='true'] .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  .piece {
    max-width: 24rem;
  }
}
</style>
