<script setup lang="ts">
import { WARMING_WAYS, sayMinutes, warmOrNot, warmingTimes } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed } from 'vue';
import type { ChartSpec } from '../../components/chartOption';
import { useShelf } from '../../stores/shelf';
import { useUnits } from '../../stores/units';
import { usePlanContext } from './usePlan';
import TableBox from '../../components/TableBox.vue';
import { whenNear } from '../../components/whenNear';

const LineChart = whenNear(() => import('../../components/LineChart.vue'));

/** Whether warming the resin pays: bubbles and time against its temperature, and how long the bottle takes. */
const { store, request, plan, built } = usePlanContext();
const units = useUnits();
const shelf = useShelf();
const answer = computed(() => (request.value ? warmOrNot(request.value, units.say) : null));
const t = (c: number) => units.shown(c, '°C');
const bandX = computed(() => {
  const a = answer.value;
  return a && a.cardC[0] !== null && a.cardC[1] !== null ? ([t(a.cardC[0]), t(a.cardC[1])] as const) : undefined;
});
const marksX = computed(() => {
  const a = answer.value;
  return a
    ? [
        { at: t(a.nowC), name: 'now' },
        ...(a.best && Math.abs(a.best.resinC - a.nowC) > 1.5 ? [{ at: t(a.best.resinC), name: 'best' }] : []),
      ]
    : [];
});
const axis = computed(() => `resin, ${units.label('°C')}`);
const bubbles = computed<ChartSpec | null>(() =>
  answer.value
    ? {
        title: `Smallest bubble that rises out of ${units.say(answer.value.depthMm, 'mm')}`,
        x: axis.value,
        y: units.label('mm'),
        bandX: bandX.value,
        marksX: marksX.value,
        fromZero: true,
        lines: [
          {
            name: `in a rest of ${sayMinutes(answer.value.restMin)}`,
            points: answer.value.points.flatMap((p) =>
              p.restedMm === null ? [] : [[t(p.resinC), units.shown(p.restedMm, 'mm')] as const],
            ),
          },
          {
            name: 'by this plan, until it gels',
            points: answer.value.points.flatMap((p) =>
              p.clearedMm === null ? [] : [[t(p.resinC), units.shown(p.clearedMm, 'mm')] as const],
            ),
          },
        ],
      }
    : null,
);
const times = computed<ChartSpec | null>(() =>
  answer.value
    ? {
        title: 'Pot life, and what is spare of it',
        x: axis.value,
        y: 'minutes',
        bandX: bandX.value,
        marksX: marksX.value,
        marksY: [{ at: 0, name: '' }],
        lines: [
          { name: 'pot life', points: answer.value.points.map((p) => [t(p.resinC), p.potLifeMin] as const) },
          { name: 'spare', points: answer.value.points.map((p) => [t(p.resinC), p.spareMin] as const) },
        ],
      }
    : null,
);
const gain = computed(() => {
  const a = answer.value;
  if (!a?.best) return null;
  const now = a.points.reduce((x, y) => (Math.abs(y.resinC - a.nowC) < Math.abs(x.resinC - a.nowC) ? y : x));
  return {
    best: a.best,
    now,
    worth: now.restedMm === null || (a.best.restedMm !== null && a.best.restedMm < now.restedMm * 0.95),
  };
});
/** A resin outside the card's band is not as it should be, whatever it would gain in bubbles. */
const outside = computed(() => {
  const a = answer.value;
  if (!a) return null;
  const [least, most] = a.cardC;
  if (least !== null && a.nowC < least)
    return {
      toC: least,
      says: `The card asks for ${units.say(least, '°C')} or more: warm it to that. Warmer still gains nothing in bubbles, and costs pot life.`,
    };
  if (most !== null && a.nowC > most)
    return { toC: most, says: `The card ends at ${units.say(most, '°C')}: let it cool to that before you mix.` };
  return null;
});
/** What is left in the bottle in use: all of it has to warm; null where the shelf does not know. */
const bottleG = (part: 'A' | 'B') =>
  shelf.lots.find(
    ({ item, leftG }) =>
      item.productSlug === request.value?.product.slug && item.part === part && leftG !== null && leftG > 0,
  )?.leftG ?? null;
const bottles = computed(() =>
  plan.value && gain.value?.worth && answer.value && gain.value.best.resinC > answer.value.nowC
    ? (
        [
          ['A', bottleG('A') ?? plan.value.partA.massG],
          ['B', plan.value.partB.massG === null ? null : (bottleG('B') ?? plan.value.partB.massG)],
        ] as const
      ).flatMap(([part, massG]) =>
        massG === null || massG < 5
          ? []
          : [
              {
                part,
                massG,
                ways: warmingTimes({
                  massG,
                  fromC: answer.value!.nowC,
                  toC: gain.value!.best.resinC,
                  maxC: answer.value!.cardC[1],
                  hotBoxMaxC: built.value?.gear.hotBox?.maxC ?? null,
                }),
              },
            ],
      )
    : [],
);
</script>

<template>
  <section class="card stack" aria-label="Warm or not">
    <p v-if="!answer" class="quiet">
      The model does not know this product's pot life or viscosity, so it cannot say what warmth would do.
    </p>
    <template v-else>
      <p v-if="gain" class="told" data-test="warm">
        <span v-if="gain.worth"
          >At <strong class="figures">{{ units.say(gain.best.resinC, '°C') }}</strong> bubbles from
          {{ units.say(gain.best.restedMm ?? 0, 'mm') }} rise out in the rest<template v-if="gain.now.restedMm !== null"
            >, against {{ units.say(gain.now.restedMm, 'mm') }} now</template
          >; {{ sayMinutes(gain.best.spareMin) }} stay spare; now it is
          {{
            gain.now.spareMin < 0
              ? `${sayMinutes(-gain.now.spareMin)} too long`
              : `${sayMinutes(gain.now.spareMin)} spare`
          }}.<template v-if="gain.best.resinC < answer.nowC"> Let it cool.</template></span
        ><span v-else-if="outside">{{ outside.says }}</span
        ><span v-else>It is as warm as it should be: warmer gains nothing in bubbles, and costs pot life.</span>
        <Button
          v-if="gain.worth || outside"
          label="Plan with that"
          severity="secondary"
          @click="store.set({ resinC: gain.worth ? gain.best.resinC : outside!.toC })"
        />
      </p>
      <p v-else class="told bad">At no temperature that the card allows is there time for the rest.</p>
      <div class="charts">
        <LineChart v-if="bubbles" :spec="bubbles" :height="250" /><LineChart v-if="times" :spec="times" :height="250" />
      </div>
      <TableBox label="Time to warm each bottle" v-if="bottles.length"
        ><table class="small">
          <caption>
            To get there from
            {{
              units.say(answer.nowC, '°C')
            }}, bottle right through
          </caption>
          <thead>
            <tr>
              <th scope="col">Way</th>
              <th scope="col">At</th>
              <th v-for="b in bottles" :key="b.part" scope="col">
                bottle of {{ b.part }}, {{ units.say(b.massG, 'g') }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(w, i) in bottles[0]!.ways" :key="w.way">
              <td class="first-up">{{ WARMING_WAYS[w.way].words }}</td>
              <td class="figures">{{ units.say(w.aroundC, '°C') }}</td>
              <td v-for="b in bottles" :key="b.part" class="figures">
                {{ Number.isFinite(b.ways[i]!.minutes) ? sayMinutes(b.ways[i]!.minutes) : 'never' }}
              </td>
            </tr>
          </tbody>
        </table></TableBox
      >
      <p class="small quiet">
        Green: what the card allows. Warm before the parts meet, bottles open or loosened, never over a flame; stir each
        and read it before you weigh.
      </p>
    </template>
  </section>
</template>

<style scoped>
.told {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: var(--space-3);
  font-size: 1.08rem;
}
.bad {
  color: var(--outside);
  font-weight: 650;
}
.charts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(20rem, 100%), 1fr));
  gap: var(--space-4);
}
.charts > * {
  min-width: 0;
}
table {
  border-collapse: collapse;
  max-width: 40rem;
}
caption {
  text-align: left;
  font-weight: 700;
  padding-bottom: 4px;
}
th,
td {
  text-align: left;
  padding: 5px 14px 5px 0;
  border-bottom: 1px solid var(--chalk-100);
}
</style>
