<script setup lang="ts">
import {
  castingGrade,
  castingName,
  castingsOf,
  fieldLabel,
  planSchema,
  sayMinutes,
  weightParts,
  type Plan,
} from '@warm-jar/core';
import Button from 'primevue/button';
import { computed, toRef } from 'vue';
import { useRoute } from 'vue-router';
import ProblemNote from '../../components/ProblemNote.vue';
import { dayAndTime, inWords } from '../../components/words';
import { cautionsFor } from '@warm-jar/core';
import { useStoredBatch } from '../../stores/storedBatch';
import { useUnits } from '../../stores/units';
import { BASE } from '../../api/base';
import { codePath } from '../../components/codePath';
import BatchLabel from './BatchLabel.vue';

/** What goes on the bench in paper: an A5 sheet with every figure and room to write, and a label for the mould. */
const props = defineProps<{ code: string }>();
const { batch, product, problem, load } = useStoredBatch(toRef(props, 'code'));
const units = useUnits();
const plan = computed<Plan | null>(() => {
  const r = planSchema.safeParse(batch.value?.plan);
  return r.success ? r.data : null;
});
const address = computed(() => `${window.location.origin}${BASE}/at/${encodeURIComponent(props.code)}`);
const qr = computed(() => codePath(address.value));
const fromWords = (mould: string | null | undefined, cavity: number | null | undefined) =>
  [mould, cavity == null ? null : `cavity ${cavity}`].filter(Boolean).join(', ');
const castings = computed(() =>
  castingsOf(batch.value ?? {}).map((k) => ({
    id: k.id,
    from: fromWords(k.mould?.code ?? batch.value?.mould?.code, k.mould?.cavity),
    massG: k.massG == null ? '' : units.say(k.massG, 'g'),
    grade: castingGrade(batch.value ?? {}, k.id) ?? '',
    reason: k.reason ?? '',
  })),
);
/** One label for the mould or cup, and one for each casting where they are told apart; a casting may be asked for alone. */
const only = useRoute().query['casting'];
const labels = computed(() => {
  const whole = { title: props.code, from: batch.value?.mould?.code ?? '', address: address.value };
  const each = castings.value.map((k) => ({
    title: castingName(props.code, k.id),
    from: k.from,
    address: `${address.value}?casting=${encodeURIComponent(k.id)}`,
  }));
  const asked = each.filter((l) => typeof only === 'string' && l.title === castingName(props.code, only));
  return asked.length > 0 ? asked : [whole, ...each];
});
const rows = computed(() => {
  if (!plan.value) return [];
  const { partA, partB, additives, catalystPct } = plan.value;
  const other = product.value?.ratio.powder ? 'Powder' : 'B';
  const second = catalystPct === null ? other : `Catalyst, ${catalystPct.toFixed(2)} %`;
  return [
    {
      name: product.value?.ratio.powder ? 'Liquid' : 'A',
      amount: units.say(partA.massG, 'g'),
      more: partA.volumeML === null ? '' : units.say(partA.volumeML, 'mL'),
    },
    ...(partB.massG === null
      ? []
      : [
          {
            name: second,
            amount: units.say(partB.massG, 'g'),
            more: [
              partB.volumeML === null ? '' : units.say(partB.volumeML, 'mL'),
              partB.drops === null ? '' : `${partB.drops} drops`,
            ]
              .filter(Boolean)
              .join(', '),
          },
        ]),
    ...additives.map((a) => ({
      name: a.name ?? inWords(a.kind),
      amount: a.massG === null ? '' : units.say(a.massG, 'g'),
      more: a.drops === null ? '' : `${a.drops} drops`,
    })),
  ];
});
/** What is written down by hand beside the weights, under the names that the log page has for it. */
const TO_WRITE = [
  'room.temperatureC',
  'room.humidityPct',
  'resin.temperatureAC',
  'resin.temperatureBC',
  'by',
  'note',
].map(fieldLabel);
const STEPS = {
  stir: 'stir',
  rest: 'rest',
  vacuum: 'vacuum',
  pour: 'pour',
  load: 'load the vessel',
  pressurise: 'to pressure',
} as const;
const cautions = computed(() =>
  product.value
    ? [
        ...new Map(
          (['weigh', 'mix', 'clear', 'pour', 'press', 'watch'] as const)
            .flatMap((s) => cautionsFor(product.value!, s))
            .map((c) => [c.code, c.says]),
        ).values(),
      ]
    : [],
);
const ratio = computed(() => {
  const p = product.value && weightParts(product.value);
  return p && product.value?.ratio.byWeight ? `${p.a} : ${p.b} by weight` : null;
});
const print = () => {
  window.print();
};
</script>

<template>
  <div class="stack">
    <ProblemNote v-if="problem" :says="problem" again @again="load" />
    <template v-if="batch && product">
      <div class="row spread screen">
        <h1>Bench sheet</h1>
        <div class="row">
          <Button icon="pi pi-print" label="Print them" @click="print" /><RouterLink
            :to="{ name: 'batch', params: { code } }"
            >Back to {{ code }}</RouterLink
          >
        </div>
      </div>
      <p class="small quiet screen">
        A sheet of A5, a label of 100 by 60 mm for mould or cup, and one for each casting that is told apart. The codes
        open the batch, or the casting, on a tablet.
      </p>
      <div class="papers">
        <article class="sheet" aria-label="Sheet">
          <header>
            <div>
              <p class="code figures">{{ code }}</p>
              <p class="product">{{ product.name }}</p>
              <p class="small">
                {{
                  [
                    ratio,
                    batch.mould?.code ? `mould ${batch.mould.code}` : null,
                    batch.startedAt ? dayAndTime(batch.startedAt) : null,
                  ]
                    .filter(Boolean)
                    .join(', ')
                }}
              </p>
            </div>
            <svg
              class="qr"
              :viewBox="`-2 -2 ${qr.size + 4} ${qr.size + 4}`"
              role="img"
              :aria-label="`Code of ${address}`"
              shape-rendering="crispEdges"
            >
              <rect x="-2" y="-2" :width="qr.size + 4" :height="qr.size + 4" class="white" />
              <path :d="qr.d" />
            </svg>
          </header>
          <template v-if="plan">
            <table>
              <tbody>
                <tr v-for="r in rows" :key="r.name">
                  <th scope="row">{{ r.name }}</th>
                  <td class="amount figures">{{ r.amount }}</td>
                  <td class="figures">{{ r.more }}</td>
                  <td class="write">got</td>
                </tr>
              </tbody>
            </table>
            <table class="times">
              <tbody>
                <tr v-for="s in plan.timeline" :key="s.what">
                  <th scope="row">{{ STEPS[s.what] }}</th>
                  <td class="figures">from {{ sayMinutes(s.fromMin) }}</td>
                  <td class="figures">to {{ sayMinutes(s.toMin) }}</td>
                  <td class="write">at</td>
                </tr>
              </tbody>
            </table>
            <p class="big">
              <template v-if="plan.potLifeMin !== null"
                >Pot life <strong class="figures">{{ sayMinutes(plan.potLifeMin) }}</strong></template
              ><template v-if="plan.spareMin !== null"
                >, spare <strong class="figures">{{ sayMinutes(plan.spareMin) }}</strong></template
              ><template v-if="plan.pressureKPa !== null"
                >. Press at <strong class="figures">{{ units.say(plan.pressureKPa, 'kPa') }}</strong><template
                  v-if="product.pressure?.holdMin != null"
                  >, hold {{ sayMinutes(product.pressure.holdMin) }}</template
                ></template
              ><template v-if="plan.demouldMin !== null"
                >. Demould after <strong class="figures">{{ sayMinutes(plan.demouldMin) }}</strong></template
              >.
            </p>
            <p v-if="plan.pours > 1" class="small">
              In {{ plan.pours }} pours:
              {{ plan.pourSchedule.map((p, i) => (i === 0 ? 'first' : `after ${sayMinutes(p.afterMin)}`)).join(', ') }}.
            </p>
          </template>
          <p v-else>No plan was made for this batch.</p>
          <table v-if="castings.length" class="times" data-test="sheet-castings">
            <tbody>
              <tr v-for="k in castings" :key="k.id">
                <th scope="row" class="figures">{{ k.id }}</th>
                <td>{{ k.from }}</td>
                <td class="figures">{{ k.massG }}</td>
                <td>{{ k.grade }}</td>
                <td class="write">{{ k.grade ? k.reason : 'grade' }}</td>
              </tr>
            </tbody>
          </table>
          <table v-else-if="plan?.castings?.length" class="times">
            <tbody>
              <tr v-for="k in plan.castings" :key="k.mould ?? ''">
                <th scope="row" class="figures">{{ k.mould }}</th>
                <td class="figures">{{ k.massG === null ? '' : units.say(k.massG, 'g') }}</td>
                <td>{{ k.demouldMin === null ? '' : `out after ${sayMinutes(k.demouldMin)}` }}</td>
                <td class="write">poured</td>
              </tr>
            </tbody>
          </table>
          <div class="notes">
            <span v-for="name in TO_WRITE" :key="name">{{ name }}</span>
          </div>
          <ul class="cautions">
            <li v-for="c in cautions" :key="c">{{ c }}</li>
          </ul>
        </article>
        <BatchLabel
          v-for="l in labels"
          :key="l.title"
          :title="l.title"
          :product="product.name"
          :from="l.from"
          :address="l.address"
          :says="[
            plan?.demouldMin == null ? '' : `demould after ${sayMinutes(plan.demouldMin)}`,
            batch.startedAt ? dayAndTime(batch.startedAt) : 'parts met:',
          ]"
        />
      </div>
    </template>
  </div>
</template>

<style scoped>
@page sheet {
  size: 148mm 210mm;
  margin: 8mm;
}
.papers {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-5);
  align-items: flex-start;
}
article {
  background: #fff;
  color: #000;
  border: 1px solid var(--card-edge);
}
.sheet {
  width: 132mm;
  min-height: 192mm;
  padding: 4mm;
  page: sheet;
  display: flex;
  flex-direction: column;
  gap: 3mm;
  font-size: 10.5pt;
}
header {
  display: flex;
  justify-content: space-between;
  gap: 4mm;
}
.code {
  font-size: 24pt;
  font-weight: 800;
  line-height: 1;
}
.product {
  font-size: 14pt;
  font-weight: 700;
}
.qr {
  width: 27mm;
  height: 27mm;
  flex: none;
}
.white {
  fill: #fff;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: left;
  overflow-wrap: anywhere;
  border-bottom: 0.3mm solid #888;
  padding: 1.2mm 1mm;
  font-weight: 400;
}
th {
  font-weight: 700;
}
.amount {
  font-size: 19pt;
  font-weight: 750;
  white-space: nowrap;
}
.write {
  width: 32mm;
  color: #555;
  border-bottom: 0.3mm solid #000;
  font-size: 8pt;
  vertical-align: bottom;
}
.big {
  font-size: 12pt;
}
.notes {
  display: grid;
  grid-template-columns: repeat(5, minmax(0, 1fr));
  gap: 2mm;
}
.notes span {
  border-bottom: 0.3mm solid #000;
  min-height: 9mm;
  font-size: 8pt;
  color: #555;
}
.notes span:last-child {
  grid-column: 1 / -1;
  min-height: 16mm;
}
.cautions {
  font-size: 8pt;
  line-height: 1.25;
  margin-top: auto;
}
.cautions li::before {
  content: '! ';
  font-weight: 800;
}
@media print {
  .screen {
    display: none;
  }
  .papers {
    display: block;
  }
  article {
    border: 0;
  }
  .sheet {
    break-after: page;
    width: auto;
    min-height: 190mm;
    padding: 0;
  }
}
</style>
