<script setup lang="ts">
import { causeTitle, fieldLabel, type CauseId, type LimitReading, type SymptomDiagnosis } from '@warm-jar/core';
import { useEventListener, useMediaQuery, useResizeObserver } from '@vueuse/core';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import LimitStrip from '../../components/LimitStrip.vue';
import { useUnits } from '../../stores/units';
import CauseCard from './CauseCard.vue';
import { evidenceLinks, lineWidth, outsideBeside, shownCauses, threadsOf } from './evidenceLinks';

/** The record on the left, the causes on the right, each piece of evidence a line whose width is its weight. */
const props = defineProps<{ symptom: SymptomDiagnosis; limits: readonly LimitReading[]; product?: string }>();
const units = useUnits();
const causes = computed(() => shownCauses(props.symptom));
const board = computed(() => evidenceLinks(props.symptom, props.limits));
const beside = computed(() => outsideBeside(board.value.rows, props.limits));
/** Too narrow for record and causes beside one another: each thread is told under its row. */
const slim = useMediaQuery('(max-width: 56.25em)');
/** On paper the board has a width of its own, so that its lines can be drawn before it is laid out there. */
const onPaper = ref(false);
const narrow = computed(() => slim.value && !onPaper.value);
const root = useTemplateRef<HTMLElement>('root');
const [width, height] = [ref(0), ref(0)];
useResizeObserver(root, ([seen]) => {
  [width.value, height.value] = [seen?.contentRect.width ?? 0, seen?.contentRect.height ?? 0];
});
const lines = ref<{ d: string; width: number; against: boolean; key: string }[]>([]);

function measure() {
  const host = root.value;
  if (!host) return;
  const base = host.getBoundingClientRect();
  const gap = host.querySelector('.gap')?.getBoundingClientRect();
  if (!gap || gap.width < 10) {
    lines.value = [];
    return;
  }
  const middle = (selector: string) => {
    const r = host.querySelector(selector)?.getBoundingClientRect();
    return r ? r.top - base.top + Math.min(r.height / 2, 44) : null;
  };
  const [x0, x1] = [gap.left - base.left, gap.right - base.left];
  lines.value = board.value.links.flatMap(({ from, to, points }) => {
    const [y0, y1] = [middle(`[data-row="${from}"]`), middle(`[data-cause="${to}"]`)];
    if (y0 === null || y1 === null) return [];
    const bend = (x1 - x0) * 0.55;
    return [
      {
        key: `${from} ${to}`,
        width: lineWidth(points),
        against: points < 0,
        d: `M${x0} ${y0} C${x0 + bend} ${y0} ${x1 - bend} ${y1} ${x1} ${y1}`,
      },
    ];
  });
}
// Not before it has a size: asking where everything stands while it is being drawn would lay the page out twice.
const isLaidOut = computed(() => width.value > 0 && !narrow.value);
watch([board, width, height, isLaidOut], () => {
  if (isLaidOut.value) void nextTick(measure);
  else lines.value = [];
});
useEventListener(window, 'beforeprint', () => {
  onPaper.value = true;
  root.value?.classList.add('on-paper');
  measure();
});
useEventListener(window, 'afterprint', () => {
  onPaper.value = false;
  root.value?.classList.remove('on-paper');
  measure();
});
const value = (v: number | string | null, unit: string) => (typeof v === 'number' ? units.say(v, unit) : (v ?? ''));
</script>

<template>
  <div ref="root" class="evidence">
    <section class="stack" aria-labelledby="record">
      <h2 id="record">The record against the card</h2>
      <div v-for="row in board.rows" :key="row.field" :data-row="row.field">
        <LimitStrip v-if="row.reading" :reading="row.reading" />
        <div v-else class="word">
          <span>{{ fieldLabel(row.field) }}</span><strong class="figures">{{
            value(row.evidence.measured, row.evidence.unit)
          }}</strong>
        </div>
        <ul v-if="narrow" class="threads small" data-test="threads">
          <li v-for="l in threadsOf(board.links, row.field)" :key="l.to">
            <svg width="34" height="10" aria-hidden="true">
              <line
                x1="0"
                x2="34"
                y1="5"
                y2="5"
                :class="l.points < 0 ? 'against' : 'for'"
                :stroke-width="lineWidth(l.points)"
              />
            </svg>
            <span>{{ l.points < 0 ? 'against' : 'for' }} {{ causeTitle(l.to as CauseId).toLowerCase() }}</span>
          </li>
        </ul>
      </div>
      <p v-if="board.rows.length === 0" class="quiet">Nothing that was recorded speaks for or against a cause.</p>
      <p v-if="board.links.length" class="small quiet legend">
        <span class="sample"
          ><svg width="34" height="10" aria-hidden="true">
            <line x1="0" x2="34" y1="5" y2="5" class="for" stroke-width="5" /></svg
          >speaks for</span
        >
        <span class="sample"
          ><svg width="34" height="10" aria-hidden="true">
            <line x1="0" x2="34" y1="5" y2="5" class="against" stroke-width="3" /></svg
          >against</span
        >
        <span>the thicker, the more it weighs</span>
      </p>
      <details v-if="beside.length" class="beside" :open="onPaper || undefined">
        <summary>
          {{ beside.length }} more outside the card, which say{{ beside.length === 1 ? 's' : '' }} little of this fault
        </summary>
        <LimitStrip v-for="r in beside" :key="r.field" :reading="r" />
      </details>
    </section>
    <div class="gap" aria-hidden="true" />
    <section class="stack causes" aria-labelledby="why">
      <h2 id="why">Why, likeliest first</h2>
      <CauseCard
        v-for="(c, i) in causes.shown"
        :key="c.id"
        :cause="c"
        :first="i === 0"
        :product="product"
        :kind="symptom.kind"
      />
      <p v-if="causes.rest.length" class="small quiet">
        Unlikely, {{ Math.max(1, Math.round(causes.restShare * 100)) }} % together:
        {{ causes.rest.map((c) => causeTitle(c.id).toLowerCase()).join(', ') }}.
      </p>
    </section>
    <svg class="lines over-page" aria-hidden="true">
      <path v-for="l in lines" :key="l.key" :d="l.d" :stroke-width="l.width" :class="l.against ? 'against' : 'for'" />
    </svg>
  </div>
</template>

<style scoped>
.evidence {
  position: relative;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 4rem minmax(16.25rem, 21.25rem);
  align-items: start;
}
.stack {
  gap: var(--space-2);
}
.word {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  min-height: 40px;
  align-items: center;
  padding-right: 10px;
}
.lines {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
  overflow: visible;
}
path,
line {
  fill: none;
}
.for {
  stroke: var(--ink-700);
}
.against {
  stroke: var(--bottle-300);
  stroke-dasharray: 6 5;
}
.threads li {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr);
  gap: var(--space-2);
  align-items: center;
}
@media (forced-colors: active) {
  .lines .for,
  .lines .against {
    stroke: CanvasText;
  }
}
.beside {
  padding-top: var(--space-3);
}
summary {
  cursor: pointer;
  min-height: 32px;
  font-weight: 600;
}
.sample {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
.legend {
  display: flex;
  align-items: center;
  gap: 8px;
  flex-wrap: wrap;
  padding-top: var(--space-2);
}
/* As wide as a sheet of A4 leaves between its margins. */
.evidence.on-paper {
  width: 700px;
  grid-template-columns: minmax(0, 1fr) 3rem 17rem;
}
@media (max-width: 56.25em) {
  .evidence:not(.on-paper) {
    grid-template-columns: minmax(0, 1fr);
    gap: var(--space-4);
  }
  .evidence:not(.on-paper) > .gap,
  .evidence:not(.on-paper) > .lines {
    display: none;
  }
}
</style>
