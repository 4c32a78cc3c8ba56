<script setup lang="ts">
import { catalystCurve, doseCurves, hardnessCurves, potLifeCurves, viscosityCurve, type Product } from '@warm-jar/core';
import { computed } from 'vue';
import type { ChartSpec } from '../../components/chartOption';
import { whenNear } from '../../components/whenNear';
import { useUnits } from '../../stores/units';

/** What the models make of a card: pot life, viscosity, hardness and catalyst, with the card's band behind. */
const props = defineProps<{ product: Product }>();
const LineChart = whenNear(() => import('../../components/LineChart.vue'));
const units = useUnits();
const t = (c: number) => units.shown(c, '°C');
const charts = computed<ChartSpec[]>(() => {
  const p = props.product;
  const resin =
    p.resin?.minC != null && p.resin.maxC != null ? ([t(p.resin.minC), t(p.resin.maxC)] as const) : undefined;
  const room = p.room?.minC != null && p.room.maxC != null ? ([t(p.room.minC), t(p.room.maxC)] as const) : undefined;
  const resinAxis = `resin, ${units.label('°C')}`;
  const found: (ChartSpec | null)[] = [
    {
      title: 'Pot life against resin temperature',
      x: resinAxis,
      y: 'minutes',
      bandX: resin,
      fromZero: true,
      lines: potLifeCurves(p).map((c) => ({
        name: units.say(c.held, 'g'),
        points: c.points.map(([x, y]) => [t(x), y] as const),
      })),
    } as ChartSpec,
    {
      title: 'Viscosity of the fresh mix',
      x: resinAxis,
      y: 'mPa·s',
      bandX: resin,
      fromZero: true,
      lines: [{ name: 'viscosity', points: viscosityCurve(p).map(([x, y]) => [t(x), y] as const) }],
    } as ChartSpec,
    {
      title: 'Expected hardness',
      x: 'hours',
      y: `Shore ${p.hardness?.scale ?? ''}`,
      logX: true,
      fromZero: true,
      lines: hardnessCurves(p).map((c) => ({ name: units.say(c.held, '°C'), points: c.points })),
    },
    {
      title: 'Catalyst the room asks for',
      x: `room, ${units.label('°C')}`,
      y: '% of resin',
      bandX: room,
      fromZero: true,
      lines: [{ name: 'catalyst', points: catalystCurve(p).map(([x, y]) => [t(x), y] as const) }],
    } as ChartSpec,
    {
      title: 'Pot life against catalyst',
      x: 'catalyst, % of resin',
      y: 'minutes',
      fromZero: true,
      lines: doseCurves(p).map((c) => ({ name: units.say(c.held, '°C'), points: c.points })),
    },
  ];
  return found.filter((c): c is ChartSpec => c !== null && c.lines.some((l) => l.points.length > 0));
});
</script>

<template>
  <section v-if="charts.length" class="curves" aria-label="Curves">
    <div v-for="c in charts" :key="c.title" class="card"><LineChart :spec="c" /></div>
  </section>
</template>

<style scoped>
.curves {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(21.25rem, 100%), 1fr));
  gap: var(--space-4);
}
.card {
  padding: var(--space-3);
  min-width: 0;
}
</style>
