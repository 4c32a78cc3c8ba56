<script setup lang="ts">
import { BENCH_STEP_WORDS, type BenchStep, isPressed, isVacuumed, type AdditiveKind } from '@warm-jar/core';
import { computed, onMounted, ref, toRef, watch, type Component } from 'vue';
import { useRouter } from 'vue-router';
import { useIdle } from '../../components/useIdle';
import { usePhone } from '../../components/usePhone';
import { onPlainKey } from '../../keys/keys';
import CautionNote from '../../components/CautionNote.vue';
import { InTurn } from '../../components/InTurn';
import KeyCap from '../../components/KeyCap.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { useBenchLight } from '../../stores/light';
import { useShelf } from '../../stores/shelf';
import AfterStep from './AfterStep.vue';
import BenchSide from './BenchSide.vue';
import BringBackStep from './BringBackStep.vue';
import ClearStep from './ClearStep.vue';
import ColourStep from './ColourStep.vue';
import HoldStep from './HoldStep.vue';
import LampStep from './LampStep.vue';
import MakeMore from './MakeMore.vue';
import PourStep from './PourStep.vue';
import PressStep from './PressStep.vue';
import StandInHands from './StandInHands.vue';
import StirStep from './StirStep.vue';
import TurnStep from './TurnStep.vue';
import WaitingNote from './WaitingNote.vue';
import WatchStep from './WatchStep.vue';
import WeighStep from './WeighStep.vue';
import { CloseStep, CupsStep, fetchLaterParts } from './laterParts';
import { stepTitle } from './stepTitle';
import { provideBench } from '../../run/useBench';
import { useRunSignals } from '../../run/useRunSignals';
import HeldBack from './HeldBack.vue';
import SignalTools from './SignalTools.vue';

/** One step at a time, the biggest number first, with gloves on and the clock running. */
const props = defineProps<{ code: string }>();
const bench = provideBench(toRef(props, 'code'));
useRunSignals(bench);
useBenchLight();
/** What is done and in the mix, as far as it is known: the cautions follow it. */
const act = computed(() => {
  const { batch, plan } = { batch: bench.batch.value, plan: bench.plan.value };
  const route = plan?.route;
  return {
    additives: [...(batch?.additives ?? []), ...(plan?.additives ?? []).map((a) => ({ kind: a.kind as AdditiveKind }))],
    vacuumed: route ? isVacuumed(route) : null,
    pressed: route ? isPressed(route) : null,
  };
});
const shelf = useShelf();
const router = useRouter();
onMounted(() => {
  void shelf.ready();
});
watch(useIdle(), fetchLaterParts);
const STEPS: Record<BenchStep, Component> = {
  'weigh-a': WeighStep,
  'weigh-b': WeighStep,
  'bring-back': BringBackStep,
  colour: ColourStep,
  stir: StirStep,
  cups: CupsStep,
  clear: ClearStep,
  pour: PourStep,
  turn: TurnStep,
  lamp: LampStep,
  close: CloseStep,
  press: PressStep,
  hold: HoldStep,
  watch: WatchStep,
  after: AfterStep,
};
const PARTS: Partial<Record<BenchStep, object>> = { 'weigh-a': { part: 'A' }, 'weigh-b': { part: 'B' } };
const weighing = computed(() => (bench.step.value && PARTS[bench.step.value]) ?? {});
const title = computed(() => (bench.step.value ? stepTitle(bench.step.value, bench.product.value) : ''));
watch(bench.step, (now, before) => {
  if (before && now !== before) window.scrollTo({ top: 0 });
});
onPlainKey('u', () => void bench.takeBack());
onPlainKey('b', () => void router.push({ name: 'board', query: { batch: props.code } }));
const phone = usePhone();
const toolsOpen = ref(false);
/** A button that was touched gives its focus back, so that Enter is the step's again; one reached by Tab keeps it. */
function giveBack(event: MouseEvent): void {
  const focused = document.activeElement;
  if (event.detail > 0 && focused instanceof HTMLElement && focused.closest('button')) focused.blur();
}
</script>

<template>
  <div class="stack bench-page" @click="giveBack">
    <ProblemNote v-if="bench.problem.value" :says="bench.problem.value" again @again="bench.load" />
    <template v-if="bench.product.value && bench.batch.value && bench.step.value">
      <header class="row spread">
        <h1>
          <span class="figures">{{ code }}</span> {{ bench.product.value.name
          }}<template v-if="bench.batch.value.mould?.code">, {{ bench.batch.value.mould.code }}</template>
        </h1>
        <div class="row tools">
          <button type="button" :disabled="!bench.undo.value" @click="bench.takeBack">
            Undo{{ bench.undo.value ? `: ${bench.undo.value.words}` : '' }} <KeyCap k="u" /></button
          ><HeldBack /><button v-if="phone" type="button" :aria-expanded="toolsOpen" @click="toolsOpen = !toolsOpen">
            Tools</button
          ><template v-if="!phone || toolsOpen"
            ><InTurn><SignalTools /></InTurn
            ><RouterLink :to="{ name: 'board', query: { batch: code } }">Wall board <KeyCap k="b" /></RouterLink
            ><RouterLink :to="{ name: 'batch', params: { code } }">Record</RouterLink></template
          >
        </div>
      </header>
      <InTurn><WaitingNote /></InTurn>
      <div class="page">
        <section class="card step" :aria-label="title">
          <h2 class="title" data-test="step">{{ title }}</h2>
          <CautionNote
            v-if="!phone"
            :product="bench.product.value"
            :stage="BENCH_STEP_WORDS[bench.step.value].stage"
            :act="act"
            stays
          />
          <InTurn><component :is="STEPS[bench.step.value]" :key="bench.step.value + code" v-bind="weighing" /></InTurn>
          <InTurn v-if="phone">
            <CautionNote
              :product="bench.product.value"
              :stage="BENCH_STEP_WORDS[bench.step.value].stage"
              :act="act"
              stays
            />
          </InTurn>
          <InTurn><MakeMore /></InTurn>
        </section>
        <InTurn><BenchSide /></InTurn>
      </div>
      <InTurn><StandInHands /></InTurn>
      <div
        v-if="bench.signals.shown.value"
        class="signal"
        :class="bench.signals.shown.value.kind"
        role="status"
        aria-live="assertive"
      >
        {{ bench.signals.shown.value.says }}
      </div>
    </template>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 18.125rem;
  gap: var(--space-4);
  align-items: start;
}
.step {
  padding: var(--space-4) var(--space-5) var(--space-5);
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
  min-height: 520px;
}
.title {
  font-size: 2rem;
}
h1 {
  font-size: 1.25rem;
}
.tools {
  gap: var(--space-2);
}
.tools :deep(button),
.tools :deep(a) {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  min-height: var(--target);
  padding: 0 var(--space-3);
  border: 1px solid var(--chalk-400);
  border-radius: var(--radius);
  background: var(--card);
  font: inherit;
  color: var(--text);
  text-decoration: none;
  cursor: pointer;
}
.tools :deep([aria-pressed='true']) {
  border-color: var(--action);
  background: var(--bottle-50);
  box-shadow: inset 0 -4px 0 var(--action);
}
.tools :deep(button:disabled) {
  color: var(--text-quiet);
  cursor: not-allowed;
}
.signal {
  position: fixed;
  left: 150px;
  right: 0;
  top: 0;
  padding: var(--space-4);
  text-align: center;
  font-size: 2rem;
  font-weight: 780;
  background: var(--amber-400);
  color: var(--on-amber);
  z-index: 20;
}
.signal.stop {
  background: var(--outside);
  color: var(--on-outside);
}
@media (max-width: 61.25em) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
  .signal {
    left: 96px;
  }
}
@media screen and (max-width: 49.99em) {
  .step {
    padding: var(--space-3);
    min-height: 0;
  }
  .title {
    font-size: 1.5rem;
  }
  .signal {
    left: 0;
    font-size: 1.4rem;
  }
}
</style>
