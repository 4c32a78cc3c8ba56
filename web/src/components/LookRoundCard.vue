<script setup lang="ts">
import Button from 'primevue/button';
import { ref } from 'vue';
import { ApiProblem } from '../api/client';
import { LOOKING_ROUND } from '../api/base';
import { LOOK_ROUND_PATH, lookRoundApi } from '../api/lookRound';
import ProblemNote from './ProblemNote.vue';

/** The way into the demo studio, which stands beside this one and is thrown away afterwards. */
const busy = ref(false);
const problem = ref<string | null>(null);
async function begin(): Promise<void> {
  [busy.value, problem.value] = [true, null];
  try {
    await lookRoundApi.begin();
    window.location.assign(`${LOOK_ROUND_PATH}/`);
  } catch (error) {
    problem.value = error instanceof ApiProblem ? error.message : 'The demo studio could not be set up.';
    busy.value = false;
  }
}
</script>

<template>
  <section v-if="!LOOKING_ROUND" class="card row spread" aria-labelledby="look-round">
    <div>
      <h2 id="look-round">Look round first?</h2>
      <p class="quiet">
        A made-up studio with a year of batches stands beside yours. Nothing of it comes into yours, and it is thrown
        away when you leave.
      </p>
    </div>
    <Button label="Look round the demo studio" severity="secondary" :loading="busy" data-test="look" @click="begin" />
    <ProblemNote v-if="problem" :says="problem" />
  </section>
</template>
