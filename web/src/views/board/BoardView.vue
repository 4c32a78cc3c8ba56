<script setup lang="ts">
import { BENCH_STEP_WORDS } from '@warm-jar/core';
import { computed, watch } from 'vue';
import { useRoute } from 'vue-router';
import { useLive } from '../../stores/live';
import { useUnits } from '../../stores/units';
import { useWork } from '../../stores/work';
import { provideBench } from '../../run/useBench';
import { boardFacts } from './boardFacts';

/**
 * The wall board: the step now, its number, the time left and what comes
 * next, to be read across the room. It takes no input.
 */
const route = useRoute();
const work = useWork();
const units = useUnits();
const code = computed(() => {
  const asked = route.query['batch'];
  return typeof asked === 'string' ? asked : (work.items.find((i) => i.stage !== 'check')?.code ?? '');
});
const live = useLive();
// Nobody types here: a studio that was replaced is shown at once.
watch(
  () => live.replaced,
  (now) => {
    if (now) window.location.reload();
  },
);
const bench = provideBench(code, true);
const { netG } = bench.scale;
const gauge = computed(() => bench.devices.shown('vessel-gauge', 'gauge')?.value ?? null);
const facts = computed(() =>
  bench.product.value && bench.batch.value && bench.step.value
    ? boardFacts({
        product: bench.product.value,
        batch: bench.batch.value,
        step: bench.step.value,
        steps: bench.steps.value,
        nowMin: bench.nowMin.value,
        clock: bench.clock.value,
        due: bench.due.value,
        netG: netG.value,
        gaugeKPa: gauge.value,
        say: units.say,
      })
    : null,
);
</script>

<template>
  <div class="board">
    <p v-if="!facts" class="idle">Nothing is at the bench.</p>
    <template v-else>
      <header>
        <span class="figures">{{ code }}</span><span>{{ bench.product.value?.name }}</span
        ><span v-if="!bench.live.connected" class="away">not live</span>
      </header>
      <p class="step" data-test="board-step">{{ BENCH_STEP_WORDS[bench.step.value!].words }}</p>
      <p class="number figures" :class="{ over: facts.over }" data-test="board-number">{{ facts.number }}</p>
      <p class="says">{{ facts.says }}</p>
      <footer>
        <div>
          <span>{{ facts.timeLabel }}</span><strong
            class="figures"
            :class="{ over: facts.timeOver }"
            data-test="board-time"
            >{{ facts.time }}</strong
          >
        </div>
        <div>
          <span>next</span><strong>{{ facts.next }}</strong>
        </div>
      </footer>
    </template>
  </div>
</template>

<style scoped>
.board {
  position: fixed;
  inset: 0;
  background: #0a1412;
  color: #f2efe6;
  padding: 3vh 4vw;
  display: flex;
  flex-direction: column;
  overflow: hidden;
}
header {
  display: flex;
  gap: 3vw;
  font-size: 4.4vh;
  color: #c9d6d1;
}
.away {
  color: #ffb38a;
  margin-left: auto;
}
.step {
  font-size: 11vh;
  font-weight: 780;
  line-height: 1.05;
  padding-top: 1vh;
}
.number {
  font-size: min(36vh, 21vw);
  font-weight: 800;
  line-height: 1;
  color: #f3b04c;
  white-space: nowrap;
}
.says {
  font-size: 5vh;
  color: #c9d6d1;
}
footer {
  display: flex;
  justify-content: space-between;
  margin-top: auto;
  gap: 4vw;
}
footer div {
  display: flex;
  flex-direction: column;
}
footer span {
  font-size: 3.6vh;
  color: #c9d6d1;
}
footer strong {
  font-size: 12vh;
  line-height: 1;
  white-space: nowrap;
}
footer div:last-child strong {
  font-size: 7.5vh;
}
.over {
  color: #ff8a66 !important;
}
.idle {
  font-size: 9vh;
  margin: auto;
}
</style>
