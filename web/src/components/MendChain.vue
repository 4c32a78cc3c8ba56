<script setup lang="ts">
import { sayMinutes, type MendStory } from '@warm-jar/core';
import { symptomWords } from './words';

/** Every mend of the piece, and what became of it. */
defineProps<{ stories: readonly MendStory[] }>();
const OUTCOMES: Record<MendStory['outcome'], string> = {
  'in-progress': 'in hand',
  waiting: 'waiting',
  held: 'held',
  failed: 'did not hold',
};
</script>

<template>
  <section v-if="stories.length" class="card stack" aria-labelledby="chain" data-test="chain">
    <h2 id="chain">Mends of this piece</h2>
    <ol>
      <li v-for="(s, i) in stories" :key="i">
        <p class="row spread">
          <strong
            >{{ i + 1 }}. <template v-if="s.mend.castings?.length">{{ s.mend.castings.join(', ') }}: </template
            >{{ symptomWords(s.mend) }}</strong
          ><span class="outcome" :class="s.outcome">{{ OUTCOMES[s.outcome] }}</span>
        </p>
        <p class="small quiet">
          after {{ sayMinutes(s.mend.atH * 60)
          }}<template v-if="s.mend.coat?.massG != null">, {{ s.mend.coat.massG }} g of coat</template>;
          {{ s.mend.steps.filter((x) => x.done).length }} of {{ s.mend.steps.length }} steps
        </p>
      </li>
    </ol>
  </section>
</template>

<style scoped>
li + li {
  border-top: 1px solid var(--card-edge);
  padding-top: var(--space-2);
}
.outcome {
  border: 1px solid currentcolor;
  border-radius: 4px;
  padding: 0 8px;
  font-weight: 650;
  white-space: nowrap;
}
.failed {
  color: var(--outside);
}
</style>
