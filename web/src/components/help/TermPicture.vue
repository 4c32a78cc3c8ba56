<script setup lang="ts">
import type { TermPicture } from '@warm-jar/core';
import { computed } from 'vue';

/** The drawing of a term: a curve, an order of steps, a band, two bars, or bubbles. */
const props = defineProps<{ picture: TermPicture }>();
const [WIDTH, HEIGHT, LEFT, BOTTOM, TOP] = [320, 144, 36, 24, 24];
const curve = computed(() => {
  const p = props.picture;
  if (p.kind !== 'curve') return null;
  const x = (v: number) => LEFT + ((v - p.x.from) / (p.x.to - p.x.from)) * (WIDTH - LEFT - 16);
  const y = (v: number) => HEIGHT - BOTTOM - ((v - p.y.from) / (p.y.to - p.y.from)) * (HEIGHT - BOTTOM - TOP);
  return {
    d: p.points.map(([px, py], at) => `${at === 0 ? 'M' : 'L'}${x(px).toFixed(1)} ${y(py).toFixed(1)}`).join(''),
    marks: p.marks.map((m) => ({ ...m, cx: x(m.x), cy: y(m.y), left: x(m.x) > WIDTH * 0.7 })),
    x: p.x,
    y: p.y,
  };
});
const band = computed(() => {
  const p = props.picture;
  if (p.kind !== 'band') return null;
  const x = (v: number) => 10 + ((v - p.from) / (p.to - p.from)) * (WIDTH - 20);
  return { low: x(p.low), high: x(p.high), marks: p.marks.map((m) => ({ ...m, x: x(m.at) })) };
});
const STEP_HEIGHT = 22;
const LARGEST = 26;
</script>

<template>
  <ol v-if="picture.kind === 'order'" class="order" :aria-label="picture.alt">
    <li v-for="s in picture.steps" :key="s">{{ s }}</li>
  </ol>
  <svg v-else-if="curve" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="picture.alt" class="drawn">
    <path :d="`M${LEFT} ${TOP}V${HEIGHT - BOTTOM}H${WIDTH - 10}`" class="axis" />
    <path :d="curve.d" class="line" />
    <g v-for="m in curve.marks" :key="m.words">
      <circle :cx="m.cx" :cy="m.cy" r="4" class="mark" />
      <text :x="m.cx + (m.left ? -8 : 8)" :y="m.cy + (m.left ? 16 : -6)" :text-anchor="m.left ? 'end' : 'start'">
        {{ m.words }}
      </text>
    </g>
    <text :x="WIDTH - 10" :y="HEIGHT - 6" text-anchor="end">
      {{ curve.x.words }}, {{ curve.x.from }}–{{ curve.x.to }}
    </text>
    <text x="4" y="12">{{ curve.y.words }}</text>
    <text :x="LEFT - 6" :y="TOP + 6" text-anchor="end">{{ curve.y.to }}</text>
  </svg>
  <svg v-else-if="band" :viewBox="`0 0 ${WIDTH} 62`" role="img" :aria-label="picture.alt" class="drawn">
    <rect x="10" y="30" :width="WIDTH - 20" height="10" class="outside" />
    <rect :x="band.low" y="30" :width="band.high - band.low" height="10" class="inside" />
    <g v-for="m in band.marks" :key="m.words">
      <path :d="`M${m.x} 26l-5 -8h10z`" class="mark" />
      <text :x="m.x" y="13" text-anchor="middle">{{ m.words }}</text>
      <text :x="m.x" y="55" text-anchor="middle">{{ m.at }}</text>
    </g>
  </svg>
  <svg
    v-else-if="picture.kind === 'bars'"
    :viewBox="`0 0 ${WIDTH} ${picture.bars.length * STEP_HEIGHT * 2}`"
    role="img"
    :aria-label="picture.alt"
    class="drawn"
  >
    <g v-for="(b, at) in picture.bars" :key="b.words" :transform="`translate(0 ${at * STEP_HEIGHT * 2})`">
      <text x="4" y="14">{{ b.words }}</text>
      <rect x="4" y="20" :width="(b.a / (b.a + b.b)) * (WIDTH - 8)" height="16" class="part-a" />
      <rect
        :x="4 + (b.a / (b.a + b.b)) * (WIDTH - 8)"
        y="20"
        :width="(b.b / (b.a + b.b)) * (WIDTH - 8)"
        height="16"
        class="part-b"
      />
    </g>
  </svg>
  <svg
    v-else-if="picture.kind === 'dots'"
    :viewBox="`0 0 ${WIDTH} 80`"
    role="img"
    :aria-label="picture.alt"
    class="drawn"
  >
    <g v-for="(d, at) in picture.dots" :key="d.words" :transform="`translate(${50 + at * 105} 30)`">
      <circle :r="d.share * LARGEST" class="bubble" />
      <text y="46" text-anchor="middle">{{ d.words }}</text>
    </g>
  </svg>
</template>

<style scoped>
.drawn {
  width: min(100%, 20rem);
  height: auto;
}
text {
  font-size: 11px;
  fill: currentColor;
}
.axis,
.line,
.bubble {
  fill: none;
  stroke: currentColor;
}
.line {
  stroke: var(--part-a);
  stroke-width: 3;
}
.mark {
  fill: var(--action);
}
.outside {
  fill: var(--chalk-100);
  stroke: var(--card-edge);
}
.inside {
  fill: var(--part-b);
}
.part-a {
  fill: var(--part-a);
}
.part-b {
  fill: var(--part-b);
}
.bubble {
  stroke-width: 2;
}
.order {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 0;
  font-size: 0.875rem;
}
.order li {
  padding: 2px 8px;
  border: 1px solid var(--card-edge);
  background: var(--chalk-100);
}
.order li + li::before {
  content: '→ ';
}
</style>
