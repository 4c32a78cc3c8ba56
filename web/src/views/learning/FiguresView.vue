<script setup lang="ts">
import { causeTitle, gelFigure, levelWords, type Yield } from '@warm-jar/core';
import SelectButton from 'primevue/selectbutton';
import { computed, onMounted, ref } from 'vue';
import type { LearningQuestion } from '../../api/learning';
import ProblemNote from '../../components/ProblemNote.vue';
import { useProducts } from '../../stores/products';
import { useUnits } from '../../stores/units';
import LearningTabs from './LearningTabs.vue';
import WorkingNote from '../../components/WorkingNote.vue';
import { useLearning } from '../../stores/useLearning';
import TableBox from '../../components/TableBox.vue';

/** What the studio's own log says in figures, beside what the cards say. */
const { answer, problem, progress, ask, stop } = useLearning<Extract<LearningQuestion, { what: 'figures' }>>();
const products = useProducts();
const units = useUnits();
onMounted(() => void ask({ what: 'figures' }));
const BY = [
  { value: 'product', words: 'Product' },
  { value: 'mould', words: 'Mould' },
  { value: 'cavity', words: 'Cavity' },
  { value: 'month', words: 'Month' },
] as const;
const by = ref<(typeof BY)[number]['value']>('product');
const rows = computed((): readonly Yield[] => answer.value?.yields[by.value] ?? []);
const nameOf = (key: string) => products.bySlug.get(key)?.name ?? key;
const month = (key: string) => `${levelWords('season', key.slice(5)).replace('in ', '')} ${key.slice(0, 4)}`;
const CALLED = { product: nameOf, month, mould: (key: string) => key, cavity: (key: string) => key };
/** The log's own filter for what a row counts. */
const logOf = (key: string): Record<string, string> =>
  by.value === 'cavity'
    ? { mould: key.slice(0, key.lastIndexOf('/')), cavity: key.slice(key.lastIndexOf('/') + 1) }
    : { [by.value]: key };
/** Causes that were the one at least once, or that the catalogue expects more than once. */
const shownCauses = computed(() => (answer.value?.causes.all ?? []).filter((c) => c.times >= 0.5 || c.expected >= 1));
const price = (v: number | null) => (v === null ? '' : units.price(v, 0));
const called = (key: string) => CALLED[by.value](key);
const money = (v: number | null) => (v === null ? 'not known' : units.price(v, 0));
const share = (y: Yield, k: number) => `${(100 * k) / Math.max(1, y.castings)}%`;
</script>

<template>
  <div class="stack">
    <LearningTabs />
    <div>
      <h1>Own figures</h1>
      <p class="quiet">From your own log. A studio figure stands beside the card's and never replaces it.</p>
    </div>
    <WorkingNote v-if="progress !== null" :share="progress" what="Fitting and counting" @stop="stop" />
    <ProblemNote v-if="problem" :says="problem" again @again="ask({ what: 'figures' })" />
    <template v-if="answer">
      <section class="card stack" aria-labelledby="gel">
        <h2 id="gel">How soon it gels here</h2>
        <p v-if="answer.gel.length === 0" class="quiet">
          Nobody has timed a witness cup yet. Press w at the bench when it has set.
        </p>
        <ul class="gels">
          <li v-for="g in answer.gel" :key="g.slug" :data-gel="g.slug">
            <RouterLink :to="{ name: 'products', params: { slug: g.slug } }"
              ><strong>{{ g.name }}</strong></RouterLink
            >
            <span v-if="g.fit.status === 'fitted'" class="offer"
              ><span
                >card <b class="figures">{{ gelFigure(g.fit.cardGelMin) }}</b> min</span
              ><span
                >here <b class="figures">{{ gelFigure(g.fit.gelMin) }}</b> min
                <span class="quiet small"
                  >({{ gelFigure(g.fit.interval[0]) }}–{{ gelFigure(g.fit.interval[1]) }})</span
                ></span
              ><b :class="{ off: g.fit.interval[0] > g.fit.cardGelMin || g.fit.interval[1] < g.fit.cardGelMin }">{{
                Math.abs(g.fit.offPct) < 1
                  ? 'the same'
                  : `${Math.abs(g.fit.offPct).toFixed(0)} % ${g.fit.offPct > 0 ? 'slower' : 'faster'}`
              }}</b></span
            >
            <span class="small quiet">{{ g.says }}</span>
          </li>
        </ul>
      </section>
      <section class="card stack" aria-labelledby="yield">
        <div class="row spread">
          <h2 id="yield">Yield and cost</h2>
          <SelectButton
            v-model="by"
            :options="[...BY]"
            option-label="words"
            option-value="value"
            :allow-empty="false"
            aria-label="By"
          />
        </div>
        <TableBox label="Yield"
          ><table data-test="yields">
            <thead>
              <tr>
                <th>{{ BY.find((b) => b.value === by)?.words }}</th>
                <th class="n">Castings</th>
                <th>How they ended</th>
                <th class="n">Passed</th>
                <th class="n">Worth</th>
                <th class="n">As second</th>
                <th class="n">Resin</th>
                <th class="n">Lost</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="y in rows" :key="y.key" :data-yield="y.key">
                <td>
                  <RouterLink v-if="by !== 'month'" :to="{ name: 'log', query: logOf(y.key) }">{{
                    called(y.key)
                  }}</RouterLink><template v-else>{{ called(y.key) }}</template>
                </td>
                <td class="n figures">{{ y.castings }}</td>
                <td>
                  <span
                    class="ends drawn"
                    role="img"
                    :aria-label="`${y.grades.pass} pass, ${y.grades.second} second, ${y.grades.scrap} scrap, ${y.grades.mend} to mend, ${y.open} open`"
                    ><i class="pass" :style="{ width: share(y, y.grades.pass) }" /><i
                      class="second"
                      :style="{ width: share(y, y.grades.second) }" /><i
                      class="scrap"
                      :style="{ width: share(y, y.grades.scrap) }" /><i
                      class="open"
                      :style="{ width: share(y, y.open + y.grades.mend) }"
                  /></span>
                </td>
                <td class="n figures">
                  {{ Math.round(y.passed.rate * 100) }} %
                  <span class="quiet small"
                    >({{ Math.round(y.passed.low * 100) }}–{{ Math.round(y.passed.high * 100) }})</span
                  >
                </td>
                <td class="n figures">{{ price(y.valuePassed) }}</td>
                <td class="n figures">{{ price(y.valueSecond) }}</td>
                <td class="n figures">{{ money(y.cost) }}</td>
                <td class="n figures">{{ money(y.lost) }}</td>
              </tr>
            </tbody>
          </table></TableBox
        >
        <p class="small quiet legend">
          <i class="pass drawn" />pass <i class="second drawn" />second <i class="scrap drawn" />scrap
          <i class="open drawn" />to mend or open. Worth and seconds by the prices of the castings, where they have one;
          resin by the lots' prices, mending included; lost is the resin of what was scrapped.
        </p>
        <template v-if="answer.reasons.length"
          ><h3>Why castings are seconds or scrap</h3>
          <TableBox label="Why castings are seconds or scrap"
            ><table data-test="reasons">
              <tbody>
                <tr v-for="r in answer.reasons.slice(0, 12)" :key="r.reason">
                  <td>
                    <RouterLink :to="{ name: 'log', query: { reason: r.reason } }">{{ r.reason }}</RouterLink>
                  </td>
                  <td class="n figures">{{ r.second }} second</td>
                  <td class="n figures">{{ r.scrap }} scrap</td>
                  <td class="n figures">{{ r.cost === null ? '' : `resin ${units.price(r.cost)}` }}</td>
                </tr>
              </tbody>
            </table></TableBox
          ></template
        >
      </section>
      <div class="columns">
        <section class="card stack" aria-labelledby="life">
          <div>
            <h2 id="life">How moulds wear</h2>
            <p class="small quiet">
              Castings with what a mould makes: haze, the same spot, pimples. Eight pulls a bar.
            </p>
          </div>
          <p v-if="answer.moulds.length === 0" class="quiet">Ten pulls of a mould tell something.</p>
          <ul class="lives">
            <li v-for="m in answer.moulds" :key="`${m.mould} ${m.cavity}`" :data-mould="m.mould">
              <RouterLink class="figures" :to="`/moulds/${m.mould}`"
                ><strong>{{ m.cavity === null ? m.mould : `cavity ${m.cavity}` }}</strong></RouterLink
              >
              <span class="bins drawn" role="img" :aria-label="m.says"
                ><i v-for="b in m.bins" :key="b.from" :title="`pulls ${b.from}–${b.to}: ${b.spoiled} of ${b.pulls}`"
                  ><b :style="{ height: `${b.rate * 100}%` }" /></i></span
              ><span class="small" :class="{ worn: m.wornFrom !== null }">{{ m.says }}</span>
            </li>
          </ul>
        </section>
        <div class="stack">
          <section class="card" aria-labelledby="loss">
            <h2 id="loss">What stays in the cup</h2>
            <p v-if="answer.cupLoss.length === 0" class="quiet small">Nobody has weighed the emptied cup yet.</p>
            <TableBox label="What stays in the cup"
              ><table>
                <tbody>
                  <tr v-for="l in answer.cupLoss" :key="l.key">
                    <td>{{ nameOf(l.key) }}</td>
                    <td class="n figures">{{ l.mean.toFixed(1) }} %</td>
                    <td class="n small quiet">{{ l.n }} weighed</td>
                  </tr>
                </tbody>
              </table></TableBox
            >
          </section>
          <section class="card" aria-labelledby="hollow">
            <h2 id="hollow">What a hollow casting takes</h2>
            <p v-if="answer.hollow.length === 0" class="quiet small">No hollow mould was pulled yet.</p>
            <TableBox label="What a hollow casting takes"
              ><table>
                <tbody>
                  <tr v-for="h in answer.hollow" :key="h.key">
                    <td>
                      <RouterLink class="figures" :to="`/moulds/${h.key}`">{{ h.key }}</RouterLink>
                    </td>
                    <td class="n figures">
                      {{ units.say(h.mean, 'g')
                      }}<template v-if="h.deviation !== null"> ± {{ units.say(h.deviation, 'g') }}</template>
                    </td>
                    <td class="n small quiet">{{ h.n }} pulls</td>
                  </tr>
                </tbody>
              </table></TableBox
            >
          </section>
        </div>
      </div>
      <section class="card stack" aria-labelledby="causes">
        <h2 id="causes">What it mostly is here</h2>
        <p v-if="answer.causes.of === 0" class="quiet">
          Nobody has said yet what a fault turned out to be. A diagnosis asks for it, and learns from it.
        </p>
        <template v-else>
          <p class="small quiet">
            {{ answer.causes.of }} faults whose cause was tested, seen, or answered by the next batch. The catalogue
            counts for {{ answer.causes.weight }} outcomes of each cause.
          </p>
          <TableBox label="Rates of causes"
            ><table class="small" data-test="cause-rates">
              <thead>
                <tr>
                  <th scope="col">Cause</th>
                  <th scope="col" class="n">Turned out to be it</th>
                  <th scope="col" class="n">Catalogue expects</th>
                  <th scope="col" class="n">Taken as so much oftener</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="c in shownCauses" :key="c.id">
                  <td>
                    <RouterLink :to="{ name: 'log', query: { outcome: c.id } }">{{ causeTitle(c.id) }}</RouterLink>
                  </td>
                  <td class="n figures">{{ Math.round(c.times * 10) / 10 }}</td>
                  <td class="n figures">{{ c.expected.toFixed(1) }}</td>
                  <td class="n figures">× {{ c.factor.toFixed(1) }}</td>
                </tr>
              </tbody>
            </table></TableBox
          >
        </template>
      </section>
    </template>
  </div>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 600;
  color: var(--text-quiet);
  font-size: 0.875rem;
}
th,
td {
  padding: 6px 8px 6px 0;
  border-bottom: 1px solid var(--chalk-100);
}
.n {
  text-align: right;
  white-space: nowrap;
}
.gels li {
  display: grid;
  grid-template-columns: 11rem 28rem minmax(0, 1fr);
  gap: var(--space-4);
  padding: 8px 0;
  align-items: baseline;
}
.gels li + li {
  border-top: 1px solid var(--chalk-100);
}
.offer {
  display: grid;
  grid-template-columns: 7.5rem 12.5rem minmax(0, 1fr);
  column-gap: var(--space-3);
  white-space: nowrap;
}
.off {
  color: var(--outside);
}
@media screen and (max-width: 49.99em) {
  .gels li,
  .offer {
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-1);
    white-space: normal;
  }
}
.ends {
  display: flex;
  height: 16px;
  min-width: 8.75rem;
  border: 1px solid var(--ink-500);
}
i {
  display: inline-block;
}
.pass {
  background: var(--bottle-700);
}
.second {
  background: repeating-linear-gradient(90deg, var(--amber-400) 0 4px, var(--amber-100) 4px 6px);
}
.scrap {
  background: repeating-linear-gradient(45deg, var(--brick-700) 0 4px, var(--brick-100) 4px 7px);
}
.open {
  background: var(--chalk-0);
}
.legend {
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
}
.legend i {
  width: 18px;
  height: 12px;
  border: 1px solid var(--ink-500);
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
  gap: var(--space-5);
  align-items: start;
}
.lives li {
  display: grid;
  grid-template-columns: 4rem 7.5rem minmax(0, 1fr);
  gap: var(--space-3);
  align-items: center;
  padding: 6px 0;
}
.lives li + li {
  border-top: 1px solid var(--chalk-100);
}
.bins {
  display: flex;
  gap: 3px;
  height: 36px;
  align-items: stretch;
  border-bottom: 2px solid var(--ink-500);
}
.bins i {
  flex: 1;
  max-width: 24px;
  display: flex;
  align-items: flex-end;
  background: var(--chalk-100);
}
.bins b {
  width: 100%;
  background: var(--ink-700);
  display: block;
}
.worn {
  color: var(--outside);
  font-weight: 650;
}
@media (max-width: 61.25em) {
  .columns,
  .gels li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
