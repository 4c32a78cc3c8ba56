<script setup lang="ts">
import { betterOrder } from '@warm-jar/core';
import { insertNodeAt, removeNode, useSortable } from '@vueuse/integrations/useSortable';
import Button from 'primevue/button';
import Select from 'primevue/select';
import { computed, ref, toRef, useTemplateRef } from 'vue';
import { useConfirm } from 'primevue/useconfirm';
import { useRouter } from 'vue-router';
import { CARE_NOTE } from './pieceWords';
import NumberEntry from '../../components/NumberEntry.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { dayAndTime } from '../../components/words';
import { useProducts } from '../../stores/products';
import JoinsCard from './JoinsCard.vue';
import LayerCard from './LayerCard.vue';
import LayerStack from './LayerStack.vue';
import { isPoured } from './editLayers';
import { usePiece } from './usePiece';

/** A piece in layers: cut through on the left, its pours in time on the right. */
const props = defineProps<{ code: string }>();
const {
  piece,
  plan,
  problem,
  again,
  change,
  changeLayer,
  addLayer,
  insertLayer,
  moveLayer,
  moveLayerTo,
  removeLayer,
  remove,
} = usePiece(toRef(props, 'code'));
const products = useProducts();
const router = useRouter();
const adding = ref<string | null>(null);
const families = computed(() =>
  (piece.value?.layers ?? []).map((l) => products.bySlug.get(l.productSlug)?.family ?? ''),
);
/** Another order of what is still to be poured, where one has less against it. */
const better = computed(() =>
  piece.value ? betterOrder(piece.value, Object.fromEntries(products.cards.map((c) => [c.slug, c]))) : null,
);
const takeOrder = () => {
  if (piece.value && better.value) change({ ...piece.value, layers: [...better.value.layers] });
};
const add = () => {
  if (adding.value) {
    addLayer(adding.value);
    adding.value = null;
  }
};
const confirm = useConfirm();
const takeOff = () => {
  confirm.require({
    header: `Delete ${props.code}?`,
    message: 'Its batches stay in the log; the order of its layers and its weighings are gone.',
    acceptLabel: 'Delete',
    rejectLabel: 'Keep it',
    acceptProps: { severity: 'danger' },
    rejectProps: { severity: 'secondary' },
    accept: () => {
      void remove().then((gone) => (gone ? router.push({ name: 'pieces' }) : undefined));
    },
  });
};
/** A layer may change places with a neighbour while neither is poured. */
const canMove = (index: number, by: 1 | -1): boolean => {
  const layers = piece.value?.layers ?? [];
  const [here, there] = [layers[index], layers[index + by]];
  return Boolean(here && there && !isPoured(here) && !isPoured(there));
};
/**
 * Layers are dragged by their grip; the page is drawn from the record, so
 * what was dragged goes back before the record changes.
 */
useSortable(useTemplateRef<HTMLElement>('layerList'), [], {
  handle: '.grip',
  draggable: '.layer:not(.poured)',
  forceFallback: true,
  animation: 150,
  watchElement: true,
  onUpdate: ({ item, from, oldIndex, newIndex }) => {
    if (oldIndex === undefined || newIndex === undefined) return;
    removeNode(item);
    insertNodeAt(from, item, oldIndex);
    moveLayerTo(oldIndex, newIndex);
  },
});
</script>

<template>
  <div class="stack">
    <ProblemNote v-if="problem" :says="problem" again @again="again" />
    <template v-if="piece && plan">
      <div class="row spread">
        <div>
          <h1>
            <span class="figures">{{ piece.code }}</span> {{ piece.name }}
          </h1>
          <p class="quiet">
            <template v-if="piece.mould">mould {{ piece.mould }}, </template>{{ piece.layers.length }} layers<template
              v-if="plan.readyAt && !piece.done"
              >, out of the mould from {{ dayAndTime(plan.readyAt) }}</template
            ><template v-if="piece.note">. {{ piece.note }}</template>
          </p>
        </div>
        <div class="row">
          <RouterLink :to="{ name: 'pieces' }">All pieces</RouterLink
          ><Button
            :label="piece.done ? 'Go on with it' : 'It is done'"
            severity="secondary"
            @click="change({ ...piece, done: !piece.done })"
          />
        </div>
      </div>
      <ul v-if="plan.warnings.length" class="stack warnings">
        <li v-for="w in plan.warnings" :key="w" class="card small">{{ w }}</li>
      </ul>
      <div v-if="better" class="card row spread better" data-test="better">
        <p><strong>Another order.</strong> {{ better.says }}</p>
        <Button label="Take this order" severity="secondary" @click="takeOrder" />
      </div>
      <div class="columns">
        <aside class="card stack">
          <LayerStack
            :layers="plan.layers"
            :depths="piece.layers.map((l) => l.depthMm ?? null)"
            :height-mm="piece.heightMm ?? null"
            :families="families"
          />
          <p class="small">
            {{ plan.filledMm.toFixed(1) }} mm filled<template v-if="plan.leftMm !== null"
              >, {{ plan.leftMm.toFixed(1) }} mm free below the rim</template
            >
          </p>
          <label class="cell"
            ><span class="small">Height of the mould</span
            ><NumberEntry
              id="piece-height"
              label="Height"
              unit="mm"
              :value="piece.heightMm ?? null"
              @change="(v) => change({ ...piece!, heightMm: v })"
          /></label>
          <label class="cell"
            ><span class="small">Room it stands in</span
            ><NumberEntry
              id="piece-room"
              label="Room"
              unit="°C"
              :value="piece.roomC ?? null"
              @change="(v) => change({ ...piece!, roomC: v })"
          /></label>
          <label class="cell"
            ><span class="small">Its damp</span
            ><NumberEntry
              id="piece-humidity"
              label="Damp"
              unit="%"
              :value="piece.humidityPct ?? null"
              @change="(v) => change({ ...piece!, humidityPct: v })"
          /></label>
          <p class="small quiet">{{ CARE_NOTE }}</p>
        </aside>
        <section aria-label="Layers" class="stack">
          <ol ref="layerList" class="stack layers">
            <template v-for="(l, i) in piece.layers" :key="i"
              ><LayerCard
                v-if="plan.layers[i]"
                :piece="piece.code"
                :mould="piece.mould ?? null"
                :layer="l"
                :planned="plan.layers[i]!"
                :last="i === piece.layers.length - 1"
                :can-rise="canMove(i, 1)"
                :can-sink="canMove(i, -1)"
                @move="moveLayer(i, $event)"
                @insert="insertLayer(i, l.productSlug)"
                @change="changeLayer(i, $event)"
                @remove="removeLayer(i)"
            /></template>
          </ol>
          <div class="row">
            <Select
              v-model="adding"
              :options="products.cards"
              option-label="name"
              option-value="slug"
              placeholder="Product of the next layer"
              aria-label="Product of the next layer"
              class="add"
            /><Button label="Add a layer" severity="secondary" :disabled="!adding" @click="add" /><Button
              label="Delete this piece"
              severity="danger"
              text
              class="off"
              @click="takeOff"
            />
          </div>
          <JoinsCard :piece="piece" @change="change" />
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 14.375rem minmax(0, 1fr);
  gap: var(--space-5);
  align-items: start;
}
.layers,
.warnings {
  gap: var(--space-3);
}
.warnings .card {
  border-left: 6px solid var(--caution-edge);
  padding: var(--space-2) var(--space-4);
}
.better {
  border-left: 6px solid var(--part-a);
}
.cell {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.add {
  min-width: 16rem;
}
.off {
  margin-left: auto;
}
@media (max-width: 56.25em) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
