<script setup lang="ts">
import { type Layer, type PlannedLayer } from '@warm-jar/core';
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import Select from 'primevue/select';
import { computed, onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import NumberEntry from '../../components/NumberEntry.vue';
import ReasonBox from '../../components/ReasonBox.vue';
import YesNoEntry from '../../components/YesNoEntry.vue';
import WeighingList from './WeighingList.vue';
import { dayAndTime } from '../../components/words';
import { useLive } from '../../stores/live';
import { useShelf } from '../../stores/shelf';
import { pourQuery } from './pourQuery';
import { useProducts } from '../../stores/products';
import { localMoment } from '../../stores/draft';

/** One layer of a piece: when, what has to be done first, and what has become of it. */
const props = defineProps<{
  piece: string;
  mould: string | null;
  layer: Layer;
  planned: PlannedLayer;
  last: boolean;
  canRise: boolean;
  canSink: boolean;
}>();
const emit = defineEmits<{ change: [patch: Partial<Layer>]; remove: []; move: [by: 1 | -1]; insert: [] }>();
const products = useProducts();
const router = useRouter();
const live = useLive();
const shelf = useShelf();
onMounted(() => {
  void shelf.ready();
});
const open = ref(false);
const weighed = ref<number | null>(null);
const product = computed(() => products.bySlug.get(props.layer.productSlug) ?? null);
const dries = computed(() => product.value?.family === 'mineral-acrylic');
const WHEN = { poured: 'poured', next: 'next', later: 'then' } as const;
const stick = (n: { code: string }) => n.code !== 'damp-below';
function weigh() {
  if (weighed.value === null) return;
  emit('change', {
    weighings: [...(props.layer.weighings ?? []), { at: localMoment(new Date(live.exactMs())), massG: weighed.value }],
  });
  weighed.value = null;
}
const asking = ref(false);
/** Opens the plan of this pour; what stops it is passed only for a reason, which stays with the layer. */
const pour = (reason?: string) => {
  if (props.planned.stops.length > 0 && reason === undefined) {
    asking.value = true;
    return;
  }
  asking.value = false;
  if (reason !== undefined) {
    const at = localMoment(new Date(live.exactMs()));
    emit('change', {
      reasons: [...(props.layer.reasons ?? []), ...props.planned.stops.map(({ code }) => ({ code, reason, at }))],
    });
  }
  toPlan();
};
/** The plan of this pour: its share of the mould by depth, where both are known. */
const toPlan = () =>
  void router.push({
    name: 'plan',
    query: pourQuery(
      props.piece,
      props.planned.index + 1,
      props.layer,
      product.value,
      shelf.moulds.find(({ item }) => item.code === props.mould)?.item ?? null,
    ),
  });
</script>

<template>
  <li class="card layer" :class="planned.state" :data-layer="planned.index + 1">
    <div class="row spread">
      <h2>
        <i v-if="canRise || canSink" class="pi pi-bars grip" title="Drag this layer to its place" aria-hidden="true" />
        <span class="ordinal figures">{{ planned.index + 1 }}</span> {{ planned.product
        }}<template v-if="layer.depthMm"
          >, <span class="figures">{{ layer.depthMm }} mm</span></template
        ><template v-if="planned.pours > 1"> in {{ planned.pours }} pours</template>
      </h2>
      <p class="when">
        <span class="quiet">{{ WHEN[planned.state] }}</span> <strong>{{ dayAndTime(planned.at) }}</strong>
      </p>
    </div>
    <p :class="{ warn: planned.sand && planned.state !== 'poured' }">{{ planned.says }}</p>
    <p v-if="planned.latest && planned.state !== 'poured'" class="small">
      Bonds by itself until <strong>{{ dayAndTime(planned.latest) }}</strong>.
    </p>
    <p v-for="n in planned.notes" :key="n.code" class="note small" :class="{ hard: stick(n) }">
      <i class="pi pi-exclamation-triangle" aria-hidden="true" /> {{ n.says }} <strong>{{ n.todo }}</strong>
    </p>
    <p v-if="(layer.inclusions ?? []).length" class="small quiet">
      Laid in: {{ layer.inclusions!.map((x) => x.what).join(', ') }}
    </p>
    <ReasonBox
      v-if="asking"
      :what="planned.stops.map((s) => s.says).join(' ')"
      @reason="pour($event)"
      @cancel="asking = false"
    />
    <p v-for="r in layer.reasons ?? []" :key="r.code + r.reason" class="small quiet">
      Poured all the same: {{ r.reason }}
    </p>
    <div class="row actions">
      <RouterLink v-if="layer.batch" class="figures" :to="{ name: 'batch', params: { code: layer.batch } }">{{
        layer.batch
      }}</RouterLink>
      <Button v-else-if="planned.state === 'next'" label="Plan this pour" @click="pour()" />
      <span v-if="dries && !last" class="row weigh"
        ><span class="entry"
          ><NumberEntry
            :id="`weigh-${planned.index}`"
            label="Weighed now"
            unit="g"
            :value="weighed"
            @change="
              (v) => {
                weighed = v;
              }
            " /></span
        ><Button label="Weighed now" severity="secondary" :disabled="weighed === null" @click="weigh" /><span
          class="small quiet"
          >{{ (layer.weighings ?? []).length }} weighings</span
        ></span
      >
      <Button
        :label="open ? 'Close' : 'Change'"
        severity="secondary"
        text
        class="open"
        :aria-expanded="open"
        @click="open = !open"
      />
    </div>
    <WeighingList
      v-if="(layer.weighings ?? []).length > 0"
      :weighings="layer.weighings ?? []"
      :index="planned.index"
      @change="emit('change', { weighings: $event })"
    />
    <div v-if="open" class="fields">
      <label class="cell"
        ><span class="small">Product</span
        ><Select
          :model-value="layer.productSlug"
          :options="products.cards"
          option-label="name"
          option-value="slug"
          aria-label="Product of the layer"
          @update:model-value="emit('change', { productSlug: $event })"
      /></label>
      <label class="cell"
        ><span class="small">Depth</span
        ><NumberEntry
          :id="`depth-${planned.index}`"
          label="Depth"
          unit="mm"
          :value="layer.depthMm ?? null"
          @change="(v) => emit('change', { depthMm: v })"
      /></label>
      <label class="cell"
        ><span class="small">Batch it was poured from</span
        ><InputText
          :model-value="layer.batch ?? ''"
          placeholder="none yet"
          aria-label="Batch"
          @change="emit('change', { batch: ($event.target as HTMLInputElement).value.trim() || null })"
      /></label>
      <div class="cell">
        <span class="small">The layer below was sanded</span
        ><YesNoEntry :value="layer.sanded ?? null" label="Sanded" @change="emit('change', { sanded: $event })" />
      </div>
      <label class="cell"
        ><span class="small">Kept off the edge</span
        ><NumberEntry
          :id="`edge-${planned.index}`"
          label="Off the edge"
          unit="mm"
          :value="layer.edgeMm ?? null"
          @change="(v) => emit('change', { edgeMm: v })"
      /></label>
      <label class="cell"
        ><span class="small">Laid in, by commas</span
        ><InputText
          :model-value="(layer.inclusions ?? []).map((x) => x.what).join(', ')"
          aria-label="Laid in"
          @change="
            emit('change', {
              inclusions: ($event.target as HTMLInputElement).value
                .split(',')
                .map((w) => w.trim())
                .filter(Boolean)
                .map((what) => ({ what })),
            })
          "
      /></label>
      <label v-if="dries" class="cell"
        ><span class="small">Poured of it</span
        ><NumberEntry
          :id="`mass-${planned.index}`"
          label="Mass of the layer"
          unit="g"
          :value="layer.massG ?? null"
          @change="(v) => emit('change', { massG: v })"
      /></label>
      <div class="cell">
        <span class="small">Meant to be seen where it lies</span
        ><YesNoEntry
          :value="layer.decoration ?? null"
          label="Decoration"
          @change="emit('change', { decoration: $event })"
        />
      </div>
      <div class="row order">
        <Button label="Move up" severity="secondary" :disabled="!canRise" @click="emit('move', 1)" /><Button
          label="Move down"
          severity="secondary"
          :disabled="!canSink"
          @click="emit('move', -1)"
        /><Button
          v-if="planned.state !== 'poured'"
          label="Put a layer below it"
          severity="secondary"
          @click="emit('insert')"
        />
      </div>
      <Button v-if="!layer.batch" label="Take this layer out" severity="danger" text @click="emit('remove')" />
    </div>
  </li>
</template>

<style scoped>
.layer {
  display: flex;
  flex-direction: column;
  gap: 6px;
  border-left-width: 6px;
}
.next {
  border-left-color: var(--part-a);
}
.poured {
  border-left-color: var(--action);
}
.grip {
  cursor: grab;
  touch-action: none;
  padding: var(--space-2);
  color: var(--ink-500);
}
.ordinal {
  display: inline-block;
  min-width: 1.6rem;
}
.when {
  white-space: nowrap;
}
.warn {
  color: var(--outside);
  font-weight: 650;
}
.note {
  background: var(--caution-ground);
  border-radius: var(--radius);
  padding: 6px 10px;
}
.note i {
  color: var(--amber-700);
}
.actions {
  min-height: var(--target);
}
.weigh .entry {
  width: 9rem;
}
.open {
  margin-left: auto;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(13.125rem, 100%), 1fr));
  gap: var(--space-3);
  align-items: end;
}
.cell {
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-width: 0;
}
</style>
