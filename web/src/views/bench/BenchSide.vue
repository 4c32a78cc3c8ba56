<script setup lang="ts">
import { BENCH_STEP_WORDS, limitReadings, sayMinutes } from '@warm-jar/core';
import { lightFormat } from 'date-fns';
import { computed, reactive } from 'vue';
import { onPlainKey } from '../../keys/keys';
import { useUnits } from '../../stores/units';
import KeyCap from '../../components/KeyCap.vue';
import { countdown } from '../../run/countdown';
import { readingOf } from '../../run/readingOf';
import { useBenchContext } from '../../run/useBench';
import SpokenWords from '../../components/SpokenWords.vue';
import { spokenLeft } from '../../components/spokenWords';
import NumberEntry from '../../components/NumberEntry.vue';
import type { Shown } from '../../stores/devices';
import SimulatedMark from '../../components/SimulatedMark.vue';

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
const resin = computed(() => bench.devices.shown('thermometer', 'resin'));
const room = computed(() => bench.devices.shown('room-sensor', 'room'));
const damp = computed(() => bench.devices.shown('room-sensor', 'humidity'));
const kept = computed(() => (bench.batch.value?.readings ?? []).length);
const FROM = {
  readings: 'from the temperatures read',
  start: 'from how it began; read it to be sure',
  label: 'by the label',
} as const;
/** Before the parts met a temperature is that of a part; after, it is a reading of the mix. */
function writeResin(value: number, from: Shown | null): void {
  const met = bench.startMs.value !== null;
  const part = bench.step.value === 'weigh-b' ? 'resin.temperatureBC' : 'resin.temperatureAC';
  void bench.write({
    words: `resin ${units.say(value, '°C')}`,
    set: met ? {} : { [part]: value },
    add: [readingOf(bench.minutesNow(), 'resin', value, 'C', from)],
  });
}
function writeRoom(value: number, humidityPct: number | null, from: Shown | null): void {
  void bench.write({
    words: `room ${units.say(value, '°C')}`,
    set: { 'room.temperatureC': value, ...(humidityPct === null ? {} : { 'room.humidityPct': humidityPct }) },
    add: [
      readingOf(bench.minutesNow(), 'room', value, 'C', from),
      ...(humidityPct === null ? [] : [readingOf(bench.minutesNow(), 'humidity', humidityPct, '%', from)]),
    ],
  });
}
const readResin = () => {
  if (resin.value?.value != null) writeResin(resin.value.value, resin.value);
};
const readRoom = () => {
  if (room.value?.value != null) writeRoom(room.value.value, damp.value?.value ?? null, room.value);
};
const typed = reactive<{ resin: number | null; room: number | null; damp: number | null }>({
  resin: null,
  room: null,
  damp: null,
});
const takeResin = () => {
  if (typed.resin !== null) writeResin(typed.resin, null);
  typed.resin = null;
};
const takeRoom = () => {
  if (typed.room !== null) writeRoom(typed.room, typed.damp, null);
  [typed.room, typed.damp] = [null, null];
};
/** What was read and lies outside the card's band is said where it is read. */
const CONDITIONS = /^(room|resin)\./;
const outside = computed(() =>
  bench.product.value && bench.batch.value
    ? limitReadings(bench.product.value, bench.batch.value, units.say).filter(
        (r) => CONDITIONS.test(r.field) && (r.state === 'below' || r.state === 'above'),
      )
    : [],
);
const silent = computed(() => [resin.value, room.value].flatMap((d) => d?.says ?? []));
onPlainKey('r', readResin);
onPlainKey('h', readRoom);
</script>

<template>
  <aside class="side" aria-label="Clocks and readings">
    <section
      v-if="bench.nowMin.value !== null && liquid && !bench.lightCured.value"
      class="card clock"
      data-test="clock"
    >
      <p class="small quiet">Pot life left</p>
      <p class="left figures" :class="{ over: left !== null && left < 0 }" data-test="pot-left">
        {{ left === null ? 'not known' : left < 0 ? `−${countdown(-left)}` : countdown(left) }}
      </p>
      <SpokenWords v-if="left !== null" :words="`Pot life left: ${spokenLeft(left)}`" />
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
      {{ bench.lightCured.value ? 'Weighed' : 'Parts met' }}
      <strong class="figures" data-test="since">{{ countdown(bench.nowMin.value) }}</strong> ago
    </p>
    <section class="card reads" aria-label="Readings">
      <button type="button" :disabled="resin?.value == null" @click="readResin">
        <span>Resin <KeyCap k="r" /><SimulatedMark :stand-in="resin?.device.standIn === true" /></span
        ><strong class="figures" data-test="resin-now">{{
          resin?.silent ? 'silent' : resin?.value == null ? '–' : units.say(resin.value, '°C')
        }}</strong>
      </button>
      <button type="button" :disabled="room?.value == null" @click="readRoom">
        <span>Room <KeyCap k="h" /><SimulatedMark :stand-in="room?.device.standIn === true" /></span
        ><strong class="figures">{{
          room?.silent
            ? 'silent'
            : room?.value == null
              ? '–'
              : `${units.say(room.value, '°C')}, ${damp?.value ?? '–'} %`
        }}</strong>
      </button>
      <p v-for="says in silent" :key="says" class="small bad" role="status">{{ says }}</p>
      <p v-for="r in outside" :key="r.field" class="small bad" role="alert" :data-outside="r.field">{{ r.says }}</p>
      <details>
        <summary class="small">Type a reading</summary>
        <NumberEntry
          id="bench-resin"
          :value="typed.resin"
          unit="°C"
          label="Resin as read by eye"
          @change="
            (v) => {
              typed.resin = v;
            }
          "
          @enter="takeResin"
        />
        <button type="button" class="take" :disabled="typed.resin === null" @click="takeResin">Resin read</button>
        <NumberEntry
          id="bench-room"
          :value="typed.room"
          unit="°C"
          label="Room as read by eye"
          @change="
            (v) => {
              typed.room = v;
            }
          "
          @enter="takeRoom"
        />
        <NumberEntry
          id="bench-damp"
          :value="typed.damp"
          unit="%"
          label="Damp as read by eye"
          @change="
            (v) => {
              typed.damp = v;
            }
          "
          @enter="takeRoom"
        />
        <button type="button" class="take" :disabled="typed.room === null" @click="takeRoom">Room read</button>
      </details>
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
  grid-template-columns: auto minmax(0, 1fr);
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
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 2px var(--space-2);
  /* Room for the figure below its name, where it is long: nothing moves when it comes. */
  min-height: 60px;
  padding: 4px var(--space-3);
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
.reads strong {
  white-space: nowrap;
}
summary {
  min-height: var(--target);
  display: flex;
  align-items: center;
  cursor: pointer;
}
.bad {
  color: var(--outside);
  font-weight: 700;
}
</style>
