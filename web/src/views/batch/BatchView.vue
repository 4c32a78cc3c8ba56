<script setup lang="ts">
import {
  STAGE_WORDS,
  castingsOf,
  doubtsOf,
  fieldLabel,
  limitsOfCastings,
  looksAt,
  mendsOf,
  stageOf,
} from '@warm-jar/core';
import Button from 'primevue/button';
import { computed, onMounted, toRef } from 'vue';
import { useRouter } from 'vue-router';
import { onPlainKey } from '../../keys/keys';
import JarGlass from '../../components/JarGlass.vue';
import KeyCap from '../../components/KeyCap.vue';
import LimitStrip from '../../components/LimitStrip.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import StageLine from '../../components/StageLine.vue';
import { jarContents } from '../../components/jarContents';
import { midSentence, startWords } from '../../components/words';
import { useShelf } from '../../stores/shelf';
import { useStoredBatch } from '../../stores/storedBatch';
import { useUnits } from '../../stores/units';
import { isLiquid, potLifeLeft, workItem } from '../../stores/urgency';
import { useWork } from '../../stores/work';
import CheckList from './CheckList.vue';
import ColourCard from './ColourCard.vue';
import CopiedCard from './CopiedCard.vue';
import HardnessCard from './HardnessCard.vue';
import MendChain from '../../components/MendChain.vue';
import InPieceCard from '../../components/InPieceCard.vue';
import { useCopyIntoPlan } from '../../stores/copyIntoPlan';
import CastingsFlow from './CastingsFlow.vue';
import CostLine from './CostLine.vue';
import MoneyCard from './MoneyCard.vue';
import TellApart from './TellApart.vue';
import HistoryList from './HistoryList.vue';
import KnownCauses from './KnownCauses.vue';
import PlanLine from './PlanLine.vue';
import { useDeleteBatch } from './useDeleteBatch';
import { useReopen } from './useReopen';
import PrintButton from '../../components/PrintButton.vue';

/** One batch: where it stands in time, what stands outside its card, and what was seen on it. */
const props = defineProps<{ code: string }>();
const code = toRef(props, 'code');
const { batch, product, version, problem, load } = useStoredBatch(code);
const units = useUnits();
const work = useWork();
const router = useRouter();
const limits = computed(() =>
  product.value && batch.value ? limitsOfCastings(product.value, batch.value, units.say) : null,
);
/** Figures that are hardly likely, marked where they stand. */
const doubts = computed(
  () =>
    new Map(
      product.value && batch.value
        ? doubtsOf(product.value, batch.value, units.say).map((d) => [d.field, d.says] as const)
        : [],
    ),
);
const readings = computed(() =>
  (limits.value?.common ?? []).map((r) => {
    const doubt = doubts.value.get(r.field);
    return doubt === undefined ? r : { ...r, doubt };
  }),
);
/** Those that no strip shows. */
const otherDoubts = computed(() =>
  [...doubts.value].filter(([field]) => !measured.value.some((r) => r.field === field)).map(([, says]) => says),
);
/** What single castings alone are outside of, in words. */
const single = computed(() =>
  (limits.value?.outside ?? []).map(
    (k) => `${k.id}: ${k.readings.map((r) => midSentence(fieldLabel(r.field))).join(', ')}`,
  ),
);
/** Whether its castings are told apart. */
const apart = computed(() => castingsOf(batch.value ?? {}).length > 0);
/** The shelf knows the cavities' outlines. */
const shelf = useShelf();
onMounted(() => {
  void shelf.ready();
});
const RANK = { above: 0, below: 0, near: 1, inside: 2, 'not-stated': 3, 'not-recorded': 4 } as const;
const measured = computed(() =>
  readings.value.filter((r) => r.measured !== null).sort((a, b) => RANK[a.state] - RANK[b.state]),
);
const outside = computed(() => measured.value.filter((r) => RANK[r.state] === 0).length);
const missing = computed(() => limits.value?.missing ?? []);
/** What of this record no real instrument showed. */
const simulated = computed(() => [
  ...new Set((batch.value?.readings ?? []).flatMap((r) => (r.simulated && r.what ? [r.what] : []))),
]);
const item = computed(() => (product.value && batch.value ? workItem(product.value, batch.value) : null));
const left = computed(() => item.value && potLifeLeft(item.value, work.nowMs));
const go = (name: string) => void router.push({ name, params: { code: props.code } });
const { copy, problem: copyProblem } = useCopyIntoPlan(batch, product);
const { remove } = useDeleteBatch(code, version);
const { reopen, problem: reopenProblem } = useReopen(batch, version, load);
onPlainKey('c', () => {
  go('check');
});
onPlainKey('e', () => {
  go('edit-batch');
});
onPlainKey('d', () => {
  go('diagnosis');
});
onPlainKey('r', () => {
  go('mend');
});
onPlainKey('x', () => void copy([]));
onPlainKey('s', () => {
  go('sheet');
});
onPlainKey('b', () => {
  go('bench');
});
</script>

<template>
  <div class="stack">
    <ProblemNote v-if="problem" :says="problem" again @again="load" />
    <ProblemNote v-if="copyProblem" :says="copyProblem" />
    <ProblemNote v-if="reopenProblem" :says="reopenProblem" />
    <template v-if="batch && product && item">
      <div class="row spread">
        <div>
          <h1>
            <span class="figures">{{ code }}</span> {{ product.name }}
          </h1>
          <p class="quiet">
            {{ batch.startedAt || item.stage !== 'weigh' ? startWords(batch) : 'The parts have not met yet'
            }}<template v-if="batch.by">, {{ batch.by }}</template
            ><template v-if="batch.mould?.code">, mould {{ batch.mould.code }}</template
            >. Card revision {{ product.revision }}<template v-if="product.source">, {{ product.source }}</template
            >.
          </p>
          <p v-if="batch.note">{{ batch.note }}</p>
          <p v-if="batch.closed" class="row small quiet" data-test="closed">
            Closed: nothing of it is due.
            <Button label="Take it up again" severity="secondary" text size="small" @click="reopen" />
          </p>
        </div>
        <div class="row">
          <Button v-if="item.stage !== 'check' && item.stage !== 'done'" @click="go('bench')"
            >To the bench <KeyCap k="b"
          /></Button>
          <Button
            :severity="item.stage === 'check' || item.stage === 'done' ? undefined : 'secondary'"
            @click="go('check')"
            >Check <KeyCap k="c"
          /></Button>
          <Button severity="secondary" @click="go('edit-batch')">Change <KeyCap k="e" /></Button>
          <Button severity="secondary" @click="go('diagnosis')">Diagnosis <KeyCap k="d" /></Button>
          <Button severity="secondary" @click="go('sheet')">Bench sheet <KeyCap k="s" /></Button>
          <PrintButton />
          <Button severity="secondary" @click="copy([])">Copy <KeyCap k="x" /></Button>
        </div>
      </div>
      <InPieceCard :code="code" />
      <div class="card"><StageLine :product="product" :batch="batch" /></div>
      <CastingsFlow v-if="apart" :code="code" :batch="batch" :product="product" @changed="load" />
      <TellApart v-else :code="code" :batch="batch" @changed="load" />
      <div class="columns">
        <section class="card stack" aria-labelledby="limits">
          <div class="row spread">
            <h2 id="limits">The record against the card</h2>
            <p :class="{ bad: outside > 0 }" data-test="outside">
              {{ outside === 0 ? 'nothing outside' : `${outside} outside` }}
            </p>
          </div>
          <LimitStrip v-for="r in measured" :key="r.field" :reading="r" />
          <p v-if="single.length" class="bad" data-test="single-outside">
            Outside on single castings: {{ single.join('; ') }}.
          </p>
          <p v-for="says in otherDoubts" :key="says" class="small" data-test="doubt">{{ says }}</p>
          <p v-if="simulated.length" class="small" data-test="simulated">
            Read from stand-ins, and so made up: {{ simulated.join(', ') }}.
          </p>
          <p v-if="missing.length" class="quiet small">
            Not recorded, though the card or the label limits it:
            {{ missing.map((r) => midSentence(fieldLabel(r.field))).join('; ') }}.
          </p>
        </section>
        <div class="stack">
          <section class="card jar-card" aria-label="Cup">
            <span class="glass"
              ><JarGlass
                :layers="jarContents(product, batch)"
                :left="left"
                :set="!isLiquid(item.stage)"
                :label="`${product.name}, ${STAGE_WORDS[stageOf(product, batch)]}`"
            /></span>
            <dl>
              <dt><i class="swatch a" aria-hidden="true" />A</dt>
              <dd class="figures">
                {{ batch.mix?.amountA == null ? 'not recorded' : units.say(batch.mix.amountA, batch.mix.unit ?? 'g') }}
              </dd>
              <template v-if="product.family !== 'uv-acrylate'"
                ><dt><i class="swatch b" aria-hidden="true" />{{ product.ratio.catalyst ? 'Catalyst' : 'B' }}</dt>
                <dd class="figures">
                  {{
                    batch.mix?.amountB == null ? 'not recorded' : units.say(batch.mix.amountB, batch.mix.unit ?? 'g')
                  }}
                </dd></template
              >
              <template v-for="(a, i) in batch.additives ?? []" :key="i"
                ><dt><i class="swatch additive" aria-hidden="true" />{{ a.name ?? a.kind ?? 'additive' }}</dt>
                <dd class="figures">
                  {{
                    a.massG != null ? units.say(a.massG, 'g') : a.drops != null ? `${a.drops} drops` : 'not recorded'
                  }}
                </dd></template
              >
            </dl>
            <CostLine v-if="!apart" :batch="batch" :product="product" />
          </section>
          <MoneyCard v-if="apart" :batch="batch" :product="product" />
          <PlanLine :batch="batch" :product="product" />
          <CopiedCard :batch="batch" />
          <KnownCauses :batch="batch" :code="code" />
          <HardnessCard :batch="batch" :product="product" />
          <ColourCard :batch="{ ...batch, checks: looksAt(batch, null) }" />
          <MendChain :stories="mendsOf(batch)" />
          <CheckList :code="code" :batch="batch" :product="product" />
          <HistoryList :code="code" :version="version" />
          <Button label="Delete this batch" severity="danger" text class="delete" @click="remove" />
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.7fr) minmax(16.25rem, 1fr);
  gap: var(--space-5);
  align-items: start;
}
.columns .card {
  gap: var(--space-2);
}
.bad {
  color: var(--outside);
  font-weight: 700;
}
.jar-card {
  display: grid;
  grid-template-columns: 6.5rem minmax(0, 1fr);
  gap: var(--space-4);
  align-items: center;
}
dl {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 4px 12px;
}
dt {
  display: flex;
  align-items: center;
  gap: 8px;
}
dd {
  text-align: right;
  font-weight: 650;
}
.swatch {
  width: 12px;
  height: 12px;
  border-radius: 2px;
}
.swatch.a {
  background: var(--part-a);
}
.swatch.b {
  background: var(--part-b);
}
.swatch.additive {
  background: var(--part-additive);
}
.delete {
  align-self: flex-start;
}
@media (max-width: 61.25em) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
