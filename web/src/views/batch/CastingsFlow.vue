<script setup lang="ts">
import { castingsOf, nextCastingId, type Batch, type Product } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed, ref, toRef } from 'vue';
import { useRoute } from 'vue-router';
import { useCastingWrites } from '../../stores/castingWrites';
import { useShelf } from '../../stores/shelf';
import { outlinePath } from '../../components/outlinePath';
import { useUnits } from '../../stores/units';
import CastingPanel from './CastingPanel.vue';
import { castingLines, cupLines, outlineOf, streamShares } from './castingRows';

/** One mix as it flowed into its cups and castings; the width of a stream is its mass. Each casting has its own end. */
const props = defineProps<{ code: string; batch: Batch; product: Product }>();
const emit = defineEmits<{ changed: [] }>();
const units = useUnits();
const shelf = useShelf();
const asked = useRoute().query['casting'];
const open = ref<string | null>(typeof asked === 'string' ? asked : null);
const lines = computed(() => castingLines(props.product, props.batch));
const cups = computed(() => cupLines(props.product, props.batch));
const shares = computed(() => streamShares(lines.value));

const { tellApart, problem } = useCastingWrites(toRef(props, 'code'), toRef(props, 'batch'), () => {
  emit('changed');
  return Promise.resolve();
});
const oneMore = () => void tellApart([...castingsOf(props.batch), { id: nextCastingId(props.batch) }]);

/** Height of a casting's row, and where things stand across. */
const ROW = 76;
const [MIX_X, CUP_X, CAST_X, WIDTH] = [26, 128, 268, 330];
/** The whole mix, as wide as this. */
const STREAM = 22;
const height = computed(() => Math.max(lines.value.length * ROW, cups.value.length * 118, 150));
const middle = computed(() => height.value / 2);
const rowY = (i: number) => ROW * i + ROW / 2;

/** Where each cup stands: beside the middle of what it filled. */
const cupY = computed(() =>
  cups.value.map((_, c) => {
    const rows = lines.value.flatMap((l, i) => (l.cup === c ? [rowY(i)] : []));
    return rows.length === 0 ? height.value - 60 : rows.reduce((a, b) => a + b, 0) / rows.length;
  }),
);
const curve = (x1: number, y1: number, x2: number, y2: number) =>
  `M${x1} ${y1} C${(x1 + x2) / 2} ${y1} ${(x1 + x2) / 2} ${y2} ${x2} ${y2}`;
const width = (share: number) => Math.max(1.5, share * STREAM);
const streams = computed(() => {
  const ofCups = cups.value.map((_, c) => {
    const share = lines.value.reduce((sum, l, i) => sum + (l.cup === c ? shares.value[i]! : 0), 0);
    return { d: curve(MIX_X + 24, middle.value, CUP_X - 22, cupY.value[c]! - 8), width: width(share) };
  });
  const ofCasts = lines.value.map((l, i) => ({
    // From which cup was not recorded: it is drawn from the mix.
    d:
      l.cup < 0
        ? curve(MIX_X + 24, middle.value, CAST_X - 22, rowY(i))
        : curve(CUP_X + 22, cupY.value[l.cup]! - 8, CAST_X - 22, rowY(i)),
    width: width(shares.value[i]!),
  }));
  return [...ofCups, ...ofCasts];
});
const casts = computed(() =>
  lines.value.map((l, i) => {
    const { kind, aspect } = outlineOf(
      props.batch,
      l.id,
      shelf.moulds.map((m) => m.item),
    );
    const path = outlinePath(kind, aspect);
    const size = 44;
    return {
      ...l,
      d: path.d,
      scale: size / 100,
      x: CAST_X - (path.width * size) / 200,
      y: rowY(i) - size / 2,
      w: path.width,
    };
  }),
);
/** The drawing in words: what each cup filled. */
const told = computed(() => {
  const from = (cup: number) => lines.value.filter((l) => l.cup === cup).map((l) => l.id);
  const ofCups = cups.value.map((c, i) => `${c.title}: ${from(i).join(', ') || 'nothing poured'}`);
  const loose = from(-1);
  return [
    `One mix, ${lines.value.length} castings`,
    ...ofCups,
    ...(loose.length > 0 ? [`cup not recorded: ${loose.join(', ')}`] : []),
  ].join('. ');
});
function gradeTone(grade: string | null): string {
  if (grade === null) return 'quiet';
  return grade === 'pass' ? 'good' : 'bad';
}
</script>

<template>
  <section class="card flow" aria-label="Castings of this mix" data-test="castings">
    <svg
      class="streams"
      :viewBox="`0 0 ${WIDTH} ${height}`"
      :style="{ height: `${height}px` }"
      role="img"
      :aria-label="told"
    >
      <path v-for="(s, i) in streams" :key="i" :d="s.d" :stroke-width="s.width" class="stream" />
      <g :transform="`translate(${MIX_X - 20} ${middle - 34})`">
        <path d="M3 14 H37 V60 Q37 66 31 66 H9 Q3 66 3 60 Z" class="glass" />
        <rect x="4" y="30" width="32" height="17" class="b" />
        <rect x="4" y="46" width="32" height="19" class="a" />
        <rect x="8" y="6" width="24" height="6" rx="1.5" class="lid" />
      </g>
      <g v-for="(c, i) in cups" :key="i" :transform="`translate(${CUP_X} ${cupY[i]! - 34})`">
        <path d="M-20 0 H20 L15 40 H-15 Z" :fill="c.colour" class="cup" />
        <text y="56" class="strong">{{ c.massG === null ? 'not weighed' : units.say(c.massG, 'g') }}</text>
        <text y="71">{{ c.title }}</text>
        <text v-if="c.words || c.potLifeMin" y="85">
          {{ c.words || `pot life ${units.say(c.potLifeMin ?? 0, 'min')}` }}
        </text>
      </g>
      <g v-for="k in casts" :key="k.id" :transform="`translate(${k.x} ${k.y}) scale(${k.scale})`">
        <path :d="k.d" fill-rule="evenodd" :fill="k.colour" class="cast" />
        <g v-if="k.bubbles" class="hole">
          <circle
            v-for="(p, i) in [
              [40, 50],
              [58, 62],
              [46, 72],
              [62, 44],
            ]"
            :key="i"
            :cx="(p[0]! * k.w) / 100"
            :cy="p[1]"
            r="5"
          />
        </g>
        <circle v-if="k.void" :cx="k.w / 2" cy="16" r="9" class="hole gone" />
      </g>
    </svg>
    <ol class="rows" :style="{ '--row': `${ROW}px` }">
      <li v-for="l in lines" :key="l.id" :data-casting="l.id">
        <div class="line">
          <strong class="figures id">{{ l.id }}</strong>
          <span
            ><span class="block">{{ l.mould }}</span
            ><span class="small quiet figures">{{
              l.massG === null ? 'not weighed' : units.say(l.massG, 'g')
            }}</span></span
          >
          <span
            ><strong class="block" :class="gradeTone(l.grade)"
              >{{ l.grade ?? 'not graded' }}<template v-if="l.sold">, sold</template></strong
            ><span class="small quiet">{{ l.why }}</span></span
          >
          <span class="figures price">{{ l.price === null ? '' : units.price(l.price) }}</span>
          <Button
            severity="secondary"
            :aria-expanded="open === l.id"
            :label="open === l.id ? 'Close' : 'Open'"
            :aria-label="`${open === l.id ? 'Close' : 'Open'} ${l.id}`"
            @click="open = open === l.id ? null : l.id"
          />
        </div>
      </li>
    </ol>
    <div class="panel row">
      <Button label="One more casting" severity="secondary" text data-test="one-more" @click="oneMore" />
      <span v-if="problem" class="small bad" role="alert">{{ problem }}</span>
    </div>
    <CastingPanel
      v-if="open"
      :id="open"
      :key="open"
      class="panel"
      :code="code"
      :batch="batch"
      :product="product"
      @changed="emit('changed')"
    />
  </section>
</template>

<style scoped>
.flow {
  display: grid;
  grid-template-columns: 20.625rem minmax(0, 1fr);
  column-gap: var(--space-4);
  align-items: start;
}
.streams {
  display: block;
  width: 20.625rem;
}
.stream {
  fill: none;
  stroke: var(--ink-700);
}
.glass,
.cup,
.cast {
  stroke: var(--band-edge);
  stroke-width: 2;
}
.glass {
  fill: var(--card);
}
.cast {
  stroke: var(--amber-700);
  stroke-width: 4;
}
.lid {
  fill: var(--action);
}
.a {
  fill: var(--part-a);
}
.b {
  fill: var(--part-b);
}
.hole circle,
circle.hole {
  fill: var(--card);
  stroke: var(--amber-700);
  stroke-width: 3;
}
circle.gone {
  stroke: var(--outside);
}
text {
  font-family: var(--words);
  font-size: 12.5px;
  text-anchor: middle;
  fill: var(--text-quiet);
}
text.strong {
  font-family: var(--figures);
  font-weight: 700;
  font-size: 14px;
  fill: var(--text);
}
.rows {
  list-style: none;
  margin: 0;
  padding: 0;
}
.line {
  display: grid;
  grid-template-columns: 2.6rem minmax(7rem, 1fr) minmax(7rem, 1.2fr) 4.5rem auto;
  gap: var(--space-3);
  align-items: center;
  min-height: var(--row);
}
li + li .line {
  border-top: 1px solid var(--card-edge);
}
.block {
  display: block;
}
.price {
  text-align: right;
  font-weight: 700;
}
.good {
  color: var(--action);
}
.bad {
  color: var(--outside);
}
.panel {
  grid-column: 1 / -1;
}
@media (max-width: 61.25em) {
  .flow {
    grid-template-columns: minmax(0, 1fr);
  }
  .streams {
    display: none;
  }
}
@media (max-width: 35em) {
  .line {
    grid-template-columns: 2.4rem minmax(0, 1fr) minmax(0, 1fr);
    gap: var(--space-1) var(--space-3);
    padding: var(--space-2) 0;
  }
  .price {
    grid-column: 2;
    text-align: left;
  }
}
</style>
