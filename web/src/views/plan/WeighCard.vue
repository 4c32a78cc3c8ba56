<script setup lang="ts">
import { batchCost, type Plan } from '@warm-jar/core';
import SelectButton from 'primevue/selectbutton';
import { computed } from 'vue';
import { useShelf } from '../../stores/shelf';
import { useUnits } from '../../stores/units';
import CautionNote from '../../components/CautionNote.vue';
import { bandOfB, weighLines } from './weighSteps';
import { usePlanContext } from './usePlan';

/** What to weigh, in order, big enough for a board across the room; and what the scale and the cup make of it. */
const props = defineProps<{ plan: Plan }>();
const { store, built, product } = usePlanContext();
const shelf = useShelf();
const units = useUnits();
const ROUNDS = [
  { value: 'none', words: 'As it comes' },
  { value: 'A', words: 'A round' },
  { value: 'B', words: 'B round' },
  { value: 'total', words: 'Sum round' },
];
const steps = computed(() => weighLines(props.plan, units.say));
const band = computed(() => (product.value ? bandOfB(product.value, props.plan) : null));
const cup = computed(() => built.value?.gear.cup ?? null);
const lotOf = (part: 'A' | 'B') =>
  shelf.lots.find(
    ({ item, leftG }) =>
      item.productSlug === product.value?.slug && item.part === part && (leftG === null || leftG > 0),
  )?.item;
const cost = computed(() =>
  batchCost(
    [
      { part: 'A', massG: props.plan.partA.massG, lot: lotOf('A') },
      ...(props.plan.partB.massG === null
        ? []
        : [{ part: 'B' as const, massG: props.plan.partB.massG, lot: lotOf('B') }]),
    ],
    built.value?.fill.pieces ?? null,
  ),
);
const signed = (pct: number) => `±${pct < 0.1 ? pct.toFixed(3) : pct.toFixed(2)} %`;
</script>

<template>
  <section class="card weigh" aria-label="Weigh">
    <ol class="steps" data-test="weigh">
      <li v-for="(s, i) in steps" :key="s.name + i" :class="s.part">
        <span class="name">{{ i + 1 }}. {{ s.name }}</span
        ><strong class="figures amount">{{ s.amount }}</strong
        ><span class="figures more">{{ s.more }}</span>
      </li>
    </ol>
    <div class="row">
      <SelectButton
        :model-value="store.form.round ?? 'none'"
        :options="ROUNDS"
        option-label="words"
        option-value="value"
        :allow-empty="false"
        aria-label="Round numbers"
        @update:model-value="store.set({ round: $event === 'none' ? null : $event })"
      />
    </div>
    <dl class="facts small">
      <div>
        <dt>Together</dt>
        <dd class="figures">{{ units.say(plan.totalMassG, 'g') }}, {{ units.say(plan.cup.liquidML, 'mL') }}</dd>
      </div>
      <div>
        <dt>Ratio by this scale</dt>
        <dd class="figures">
          {{ plan.ratioErrorFromScalePct === null ? 'no scale named' : signed(plan.ratioErrorFromScalePct)
          }}<span v-if="product?.ratio.tolerancePct != null" class="quiet">
            of ±{{ product.ratio.tolerancePct }} %</span
          >
        </dd>
      </div>
      <div v-if="band">
        <dt>{{ product?.ratio.catalyst ? 'Catalyst' : 'B' }} may be</dt>
        <dd class="figures" data-test="band-of-b">{{ units.say(band.low, 'g') }} to {{ units.say(band.high, 'g') }}</dd>
      </div>
      <div v-if="plan.smallestSafeBatchG !== null">
        <dt>Safe on it from</dt>
        <dd class="figures">{{ units.say(plan.smallestSafeBatchG, 'g') }}</dd>
      </div>
      <div>
        <dt>Cup</dt>
        <dd>
          {{ cup ? cup.name : 'none that fits'
          }}<span class="quiet">, needs {{ units.say(plan.cup.neededML, 'mL') }}</span>
        </dd>
      </div>
      <div>
        <dt>Resin costs</dt>
        <dd class="figures" data-test="plan-cost">
          {{
            cost.total === null
              ? `not known: no priced lot of part ${cost.missing.join(' and ')}`
              : units.price(cost.total)
          }}<template v-if="cost.perPiece !== null && (built?.fill.pieces ?? 1) > 1"
            >, {{ units.price(cost.perPiece) }} a piece</template
          >
        </dd>
      </div>
      <div v-if="plan.dewPointC !== null">
        <dt>Dew point</dt>
        <dd class="figures">{{ units.say(plan.dewPointC, '°C') }}</dd>
      </div>
    </dl>
    <CautionNote :product="product" stage="weigh" :act="{ additives: built?.request?.want.additives }" />
  </section>
</template>

<style scoped>
.weigh {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.steps {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3) var(--space-6);
}
.steps li {
  display: grid;
  padding-left: var(--space-3);
  border-left: 8px solid var(--part-a);
}
.steps .b {
  border-left-color: var(--part-b);
}
.steps .additive {
  border-left-color: var(--part-additive);
}
.name {
  font-weight: 700;
}
.amount {
  font-size: 2.9rem;
  line-height: 1.05;
  font-weight: 750;
  white-space: nowrap;
}
.additive .amount {
  font-size: 1.9rem;
}
.more {
  min-height: 1.4em;
  color: var(--text-quiet);
}
.facts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(10.3125rem, 100%), 1fr));
  gap: var(--space-2) var(--space-4);
}
dt {
  color: var(--text-quiet);
}
dd {
  font-weight: 650;
}
</style>
