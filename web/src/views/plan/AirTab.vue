<script setup lang="ts">
import { compareRoutes, sayMinutes, type RouteAnswer } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed } from 'vue';
import { inWords } from '../../components/words';
import { useUnits } from '../../stores/units';
import { usePlanContext } from './usePlan';

/** The five ways with the air, as this batch would fare by each. */
const { store, request, product } = usePlanContext();
const units = useUnits();
const routes = computed(() => (request.value ? compareRoutes(request.value, units.say) : []));
const chosen = computed(() => request.value?.route ?? null);
function mm(d: number | null, none: string): string {
  if (d === null) return 'not known';
  return Number.isFinite(d) ? units.say(d, 'mm') : none;
}
function left({ air: { leftMm } }: RouteAnswer): string {
  if (leftMm === null) return 'not known';
  if (leftMm === 0) return 'none to be seen';
  return Number.isFinite(leftMm) ? `up to ${units.say(leftMm, 'mm')}` : 'all of it';
}
/** Length of a bubble's bar: a millimetre is the whole width. */
const width = (r: RouteAnswer) => `${Math.min(100, 100 * (r.air.leftMm ?? 0)).toFixed(1)}%`;
function spare(m: number | null): string {
  if (m === null) return '';
  return m < 0 ? `${sayMinutes(-m)} too long` : `${sayMinutes(m)} spare`;
}
</script>

<template>
  <section class="card stack" aria-label="Routes compared">
    <div class="routes">
      <article
        v-for="r in routes"
        :key="r.route"
        :class="{ here: r.route === chosen, barred: !r.allowed }"
        :data-route="r.route"
      >
        <header>
          <h3 class="first-up">{{ inWords(r.route) }}</h3>
          <span v-if="r.byCard" class="tag">the card's</span>
        </header>
        <p class="left">
          <strong class="figures">{{ left(r) }}</strong><span class="small quiet">largest bubble left</span>
        </p>
        <svg class="bubble" role="img" :aria-label="`largest bubble left: ${left(r)}`" focusable="false">
          <rect x="0" y="3" width="100%" height="6" class="ground" />
          <rect v-if="r.air.leftMm" x="0" y="3" :width="width(r)" height="6" class="fill" />
        </svg>
        <dl class="small">
          <dt>rises out from</dt>
          <dd class="figures">{{ mm(r.air.clearedMm, 'nothing') }}</dd>
          <template v-if="r.air.dissolvedMm !== null"
            ><dt>dissolves to</dt>
            <dd class="figures">{{ units.say(r.air.dissolvedMm, 'mm') }}</dd></template
          >
          <template v-if="r.clearMin > 0"
            ><dt>{{ r.route === 'warm-and-rest' ? 'rest' : 'vacuum' }}</dt>
            <dd class="figures">{{ sayMinutes(r.clearMin) }}</dd></template
          >
          <dt>takes</dt>
          <dd class="figures">{{ sayMinutes(r.usedMin) }}</dd>
          <dt>leaves</dt>
          <dd class="figures" :class="{ bad: (r.spareMin ?? 0) < 0 }">{{ spare(r.spareMin) || 'not known' }}</dd>
        </dl>
        <ul class="small notes">
          <li v-for="w in r.warnings" :key="w.code" :class="{ bad: w.stop }">{{ w.says }}</li>
          <li v-for="c in r.cautions" :key="c" class="caution">
            <i class="pi pi-exclamation-triangle" aria-hidden="true" /> {{ c }}
          </li>
        </ul>
        <Button
          v-if="r.route !== chosen"
          :label="r.allowed ? 'Take this one' : 'Not to be taken'"
          :disabled="!r.allowed"
          severity="secondary"
          @click="store.set({ route: r.route, restMin: r.route === 'warm-and-rest' ? r.clearMin : null })"
        />
        <p v-else class="taken">taken</p>
      </article>
    </div>
    <p class="small quiet">
      A bubble of {{ units.say(0.3, 'mm') }} is seen in clear resin. Rise by Stokes in the thickening mix; pressing by
      Boyle, then diffusion, with a default for how fast air dissolves in {{ product?.name }}. Bars:
      {{ units.say(1, 'mm') }} across.
    </p>
  </section>
</template>

<style scoped>
.routes {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(11.25rem, 100%), 1fr));
  gap: var(--space-4);
}
article {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  border-top: 4px solid var(--card-edge);
  padding-top: var(--space-2);
}
.here {
  border-top-color: var(--part-a);
}
.barred h3,
.barred .left {
  color: var(--text-quiet);
}
header {
  display: flex;
  justify-content: space-between;
  gap: var(--space-2);
  align-items: baseline;
}
.tag {
  font-size: 0.8rem;
  border: 1px solid currentcolor;
  border-radius: 4px;
  padding: 0 6px;
}
.left {
  display: flex;
  flex-direction: column;
  line-height: 1.2;
}
.left strong {
  font-size: 1.15rem;
}
.bubble {
  width: 100%;
  height: 12px;
}
.ground {
  fill: var(--track);
}
.fill {
  fill: var(--amber-600);
}
dl {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 1px 8px;
}
dt {
  color: var(--text-quiet);
}
dd {
  text-align: right;
  font-weight: 650;
}
.notes {
  display: grid;
  gap: 4px;
}
.bad {
  color: var(--outside);
  font-weight: 650;
}
.caution {
  background: var(--caution-ground);
  padding: 3px 6px;
  border-radius: 4px;
}
.taken {
  font-weight: 700;
  min-height: var(--target);
  display: flex;
  align-items: center;
}
article > :last-child {
  margin-top: auto;
}
</style>
