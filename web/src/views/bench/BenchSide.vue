<script setup lang="ts">
import { BENCH_STEP_WORDS, sayMinutes } from '@warm-jar/core';
import { lightFormat } from 'date-fns';
import { computed, watch } from 'vue';
import { onPlainKey } from '../../keys/keys';
import { useUnits } from '../../stores/units';
import KeyCap from '../../components/KeyCap.vue';
import { countdown } from '../../run/countdown';
import { useBenchContext } from '../../run/useBench';

/** The clocks, the readings by one key, and the steps to come. */
const bench = useBenchContext();
const units = useUnits();
const left = computed(() =>
  bench.clock.value?.potLifeEndsMin == null || bench.nowMin.value === null
    ? null
    : bench.clock.value.potLifeEndsMin - bench.nowMin.value,
);
const liquid = computed(() =>
  ['weigh-a', 'weigh-b', 'bring-back', 'colour', 'stir', 'clear', 'pour', 'close', 'press'].includes(
    bench.step.value ?? '',
  ),
);
const share = computed(() => Math.max(0, Math.min(1, 1 - (bench.clock.value?.spent ?? 0))));
const at = (min: number | null) =>
  min === null || bench.startMs.value === null ? null : lightFormat(bench.startMs.value + min * 60_000, 'HH:mm:ss');
watch(left, (l) => {
  if (l === null || !liquid.value) return;
  if (l < 0) bench.signals.give('pot-over', 'stop', 'Pot life is over');
  else if (l < 1) bench.signals.give('pot-1', 'warn', 'One minute of pot life left');
});
const resin = computed(() => bench.devices.shown('thermometer', 'resin'));
const room = computed(() => bench.devices.shown('room-sensor', 'room'));
const damp = computed(() => bench.devices.shown('room-sensor', 'humidity'));
const kept = computed(() => (bench.batch.value?.readings ?? []).length);
const FROM = {
  readings: 'from the temperatures read',
  start: 'from how it began; read it to be sure',
  label: 'by the label',
} as const;
function readResin() {
  if (resin.value?.value == null) return;
  const value = resin.value.value;
  const met = bench.startMs.value !== null;
  const part = bench.step.value === 'weigh-b' ? 'resin.temperatureBC' : 'resin.temperatureAC';
  const set = met ? {} : { [part]: value };
  void bench.write({
    words: `resin ${units.say(value, '°C')}`,
    set,
    add: met ? [{ path: 'readings', value: { atMin: bench.minutesNow(), what: 'resin', value, unit: 'C' } }] : [],
  });
}
function readRoom() {
  if (room.value?.value == null) return;
  const add =
    bench.startMs.value === null
      ? []
      : [
          {
            path: 'readings' as const,
            value: { atMin: bench.minutesNow(), what: 'room', value: room.value.value, unit: 'C' },
          },
        ];
  void bench.write({
    words: 'room read',
    set: {
      'room.temperatureC': room.value.value,
      ...(damp.value?.value == null ? {} : { 'room.humidityPct': damp.value.value }),
    },
    add,
  });
}
onPlainKey('r', readResin);
onPlainKey('h', readRoom);
</script>

<template>
  <aside class="side" aria-label="Clocks and readings">
    <section v-if="bench.nowMin.value !== null && liquid" class="card clock" data-test="clock">
      <p class="small quiet">Pot life left</p>
      <p class="left figures" :class="{ over: left !== null && left < 0 }" data-test="pot-left">
        {{ left === null ? 'not known' : left < 0 ? `−${countdown(-left)}` : countdown(left) }}
      </p>
      <svg class="band" role="img" :aria-label="`${Math.round(share * 100)} % of pot life left`">
        <rect width="100%" height="18" class="ground" />
        <rect :width="`${share * 100}%`" height="18" class="fill" />
      </svg>
      <p v-if="bench.clock.value" class="small quiet">{{ FROM[bench.clock.value.from] }}</p>
      <dl>
        <template v-if="bench.due.value.pourByMin !== null"
          ><dt>Pour by</dt>
          <dd class="figures" data-test="pour-by">{{ at(bench.due.value.pourByMin) }}</dd></template
        ><template v-if="bench.due.value.pressureByMin !== null"
          ><dt>At pressure by</dt>
          <dd class="figures">{{ at(bench.due.value.pressureByMin) }}</dd></template
        >
      </dl>
    </section>
    <p v-if="bench.nowMin.value !== null" class="card small met">
      Parts met <strong class="figures" data-test="since">{{ countdown(bench.nowMin.value) }}</strong> ago
    </p>
    <section class="card reads" aria-label="Readings">
      <button type="button" :disabled="resin?.value == null" @click="readResin">
        <span>Resin <KeyCap k="r" /></span
        ><strong class="figures" data-test="resin-now">{{
          resin?.silent ? 'silent' : resin?.value == null ? '–' : units.say(resin.value, '°C')
        }}</strong>
      </button>
      <button type="button" :disabled="room?.value == null" @click="readRoom">
        <span>Room <KeyCap k="h" /></span
        ><strong class="figures">{{
          room?.silent
            ? 'silent'
            : room?.value == null
              ? '–'
              : `${units.say(room.value, '°C')}, ${damp?.value ?? '–'} %`
        }}</strong>
      </button>
      <p class="small quiet">
        {{ kept }} {{ kept === 1 ? 'reading' : 'readings' }} kept<template
          v-if="bench.batch.value?.room?.temperatureC != null"
          >; room {{ units.say(bench.batch.value.room.temperatureC, '°C') }}</template
        >
      </p>
    </section>
    <ol class="card steps small" aria-label="Steps of this run">
      <li
        v-for="s in bench.steps.value"
        :key="s.step"
        :class="{ done: s.done, here: s.step === bench.step.value }"
        :aria-current="s.step === bench.step.value ? 'step' : undefined"
      >
        <i
          class="pi"
          :class="s.done ? 'pi-check' : s.step === bench.step.value ? 'pi-arrow-right' : 'pi-circle'"
          aria-hidden="true"
        />{{ BENCH_STEP_WORDS[s.step].words }}
      </li>
    </ol>
    <p v-if="bench.plan.value?.spareMin != null" class="small quiet">
      Planned with {{ sayMinutes(bench.plan.value.spareMin) }} to spare.
    </p>
  </aside>
</template>

<style scoped>
.side {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.card {
  padding: var(--space-3);
}
.left {
  font-size: 2.7rem;
  font-weight: 780;
  line-height: 1.05;
}
.left.over {
  color: var(--outside);
}
.band {
  width: 100%;
  height: 18px;
}
.ground {
  fill: var(--track);
}
.fill {
  fill: var(--part-a);
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 10px;
  padding-top: 6px;
}
dd {
  text-align: right;
  font-weight: 700;
  font-size: 1.15rem;
}
.met strong {
  font-size: 1.15rem;
}
.reads {
  display: grid;
  gap: var(--space-2);
}
.reads button {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 52px;
  padding: 0 var(--space-3);
  border: 2px solid var(--action);
  border-radius: var(--radius);
  background: var(--card);
  font: inherit;
  cursor: pointer;
}
.reads button:disabled {
  border-color: var(--chalk-400);
  color: var(--text-quiet);
  cursor: not-allowed;
}
.steps {
  display: grid;
  gap: 2px;
}
.steps li {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 3px 4px;
}
.done {
  color: var(--text-quiet);
}
.here {
  font-weight: 750;
  background: var(--bottle-50);
  border-radius: 4px;
}
</style>
