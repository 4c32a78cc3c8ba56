<script setup lang="ts">
import { BENCH_STEP_WORDS } from '@warm-jar/core';
import { computed, onMounted, watch } from 'vue';
import { useRoute } from 'vue-router';
import { useByNow } from '../../components/useByNow';
import { useLive } from '../../stores/live';
import { useUnits } from '../../stores/units';
import { useWork } from '../../stores/work';
import { provideBench } from '../../run/useBench';
import { boardFacts, boardRows } from './boardFacts';

/**
 * The wall board, to be read across the room: the batch that runs out first, or the one that was asked for, with its
 * step, its number and the time left; and every other batch in work beside it. It takes no input.
 */
const route = useRoute();
const work = useWork();
const units = useUnits();
const code = computed(() => {
  const asked = route.query['batch'];
  if (typeof asked === 'string') return asked;
  return (work.items.find((i) => i.stage !== 'check') ?? work.items[0])?.code ?? '';
});
const live = useLive();
onMounted(() => {
  if (!work.loaded) void work.load();
});
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
        window: bench.window.value,
        netG: netG.value,
        gaugeKPa: gauge.value,
        say: units.say,
      })
    : null,
);
/** What is said where no batch is at the bench; nothing until that is known, for somebody may go by it. */
const instead = computed(() => {
  if (facts.value) return null;
  if (bench.problem.value) return bench.problem.value;
  if (work.problem && work.items.length === 0) return work.problem;
  return work.loaded && code.value === '' ? 'Nothing is at the bench.' : null;
});
/** The others stand below the first on a narrow screen, and wait for it. */
const firstByNow = useByNow(() => facts.value !== null || instead.value !== null);
/** As many as can still be read across the room; the rest are counted. */
const MAX_ROWS = 15;
/** Digits of a number that may be written larger, with the colon or the unit. */
const SHORT = 5;
const rows = computed(() => boardRows(work.items, code.value, work.nowMs));
const more = computed(() => Math.max(0, rows.value.length - MAX_ROWS) + work.more);
/** Few rows are written larger than many. */
const crowd = computed(() => {
  if (rows.value.length > 11) return 'many';
  return rows.value.length > 8 ? 'some' : 'few';
});
</script>

<template>
  <div class="wall">
    <main class="board" :class="{ alone: rows.length === 0 }">
      <h1 class="visually-hidden">Wall board</h1>
      <p v-if="!facts" class="idle" data-test="board-instead">{{ instead }}</p>
      <section v-else class="first" data-test="board-first">
        <header>
          <span class="figures">{{ code }}</span><span class="product">{{ bench.product.value?.name }}</span
          ><span v-if="!bench.live.connected" class="away">not live</span>
        </header>
        <p class="step" data-test="board-step">{{ BENCH_STEP_WORDS[bench.step.value!].words }}</p>
        <p
          class="number figures"
          :class="{ over: facts.over, short: facts.number.length <= SHORT }"
          data-test="board-number"
        >
          {{ facts.number }}
        </p>
        <p class="says">{{ facts.says }}</p>
        <p v-if="facts.window" class="says window" data-test="board-window">{{ facts.window }}</p>
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
      </section>
      <ol v-if="rows.length && firstByNow" class="others" :class="crowd" data-test="board-others">
        <li v-for="r in rows.slice(0, MAX_ROWS)" :key="r.code" :class="{ over: r.late }">
          <span class="figures">{{ r.short }}</span><span class="stage">{{ r.stage }}</span
          ><span class="due">{{ r.due }}</span>
        </li>
        <li v-if="more > 0" class="more">and {{ more }} more</li>
      </ol>
    </main>
  </div>
</template>

<style scoped>
/* All of the window that nothing else is said in; what stands on it is as large as that leaves room for. */
.wall {
  position: relative;
  container-type: size;
  background: #0a1412;
}
.board {
  position: absolute;
  inset: 0;
  color: #f2efe6;
  padding: 3cqh 2cqw;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 42cqw;
  gap: 2cqw;
  overflow: hidden;
}
.board.alone {
  grid-template-columns: minmax(0, 1fr);
}
.first {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
header {
  display: flex;
  gap: 2cqw;
  font-size: 5.4cqh;
  color: #c9d6d1;
  flex-wrap: wrap;
}
.away {
  color: #ffb38a;
  margin-left: auto;
}
.step {
  font-size: min(10cqh, 6cqw);
  font-weight: 780;
  line-height: 1.05;
  padding-top: 1cqh;
}
.number {
  font-size: min(30cqh, 13cqw);
  font-weight: 800;
  line-height: 1.05;
  color: #f3b04c;
  white-space: nowrap;
}
.number.short {
  font-size: min(36cqh, 16cqw);
}
.alone .number {
  font-size: min(36cqh, 21cqw);
}
.says {
  font-size: 5.4cqh;
  line-height: 1.15;
  color: #c9d6d1;
}
.window {
  color: #f3b04c;
}
footer {
  display: flex;
  justify-content: space-between;
  margin-top: auto;
  gap: 2cqw;
}
footer div {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
footer span {
  font-size: 5.4cqh;
  line-height: 1.15;
  color: #c9d6d1;
}
footer strong {
  font-size: 11cqh;
  line-height: 1;
  white-space: nowrap;
}
footer div:last-child strong {
  font-size: 6cqh;
  white-space: normal;
}
.others {
  display: flex;
  flex-direction: column;
  border-left: 2px solid #2b4640;
  padding-left: 2cqw;
  margin: 0;
  list-style: none;
  font-size: 6.4cqh;
  line-height: 1.25;
}
.others.some {
  font-size: 5.8cqh;
}
.others.many {
  font-size: 5.4cqh;
  line-height: 1.12;
}
.others li {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 1.2cqw;
  white-space: nowrap;
}
.stage {
  overflow: hidden;
  text-overflow: ellipsis;
  color: #c9d6d1;
}
.due {
  text-align: right;
}
.over {
  color: #ff8a66 !important;
}
/* Upright, or on a phone: one under another, and all of it can be read. */
@media (max-aspect-ratio: 1/1), (max-width: 49.99em) {
  .wall {
    container-type: normal;
  }
  .board {
    position: static;
    grid-template-columns: minmax(0, 1fr);
    align-content: start;
    overflow: visible;
    padding: 4vw;
  }
  header,
  .says,
  footer span {
    font-size: max(1.1rem, 4vw);
    flex-wrap: wrap;
    white-space: normal;
  }
  .step {
    font-size: max(1.6rem, 8vw);
  }
  .number,
  .number.short,
  .alone .number {
    font-size: min(19vw, 9rem);
  }
  footer {
    flex-wrap: wrap;
    padding-top: 3vw;
  }
  footer strong {
    font-size: max(1.6rem, 10vw);
  }
  footer div:last-child strong {
    font-size: max(1.3rem, 6vw);
  }
  .others,
  .others.some,
  .others.many {
    border-left: 0;
    border-top: 2px solid #2b4640;
    padding: 3vw 0 0;
    font-size: max(1.1rem, 4.4vw);
    line-height: 1.4;
  }
  .idle {
    font-size: max(1.6rem, 8vw);
  }
}
.idle {
  font-size: 9cqh;
  margin: auto;
}
</style>
