<script setup lang="ts">
import Button from 'primevue/button';
import Checkbox from 'primevue/checkbox';
import Select from 'primevue/select';
import SelectButton from 'primevue/selectbutton';
import { computed, onMounted, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { BASE } from '../../api/base';
import NumberEntry from '../../components/NumberEntry.vue';
import { useProducts } from '../../stores/products';
import { useShelf } from '../../stores/shelf';
import { useWork } from '../../stores/work';
import LabelSheetPage from './LabelSheetPage.vue';
import { LABEL_SHEETS, layLabels, type LabelWords } from './labelSheets';
import { LABEL_KINDS, labelOfLot, labelOfMould, labelsOfBatch, type LabelKind } from './labelWords';

/** Labels for bottles, moulds, cups and castings, laid out on the sheets they are bought on. */
const route = useRoute();
const router = useRouter();
const [shelf, products, work] = [useShelf(), useProducts(), useWork()];
onMounted(() => void shelf.load());
const WORDS: Readonly<Record<LabelKind, string>> = { lots: 'Bottles', moulds: 'Moulds', batches: 'Cups and castings' };
const kinds = LABEL_KINDS.map((kind) => ({ kind, words: WORDS[kind] }));
const kind = computed<LabelKind>(() => LABEL_KINDS.find((k) => k === route.query['of']) ?? 'lots');
const all = computed<LabelWords[]>(() => {
  if (kind.value === 'moulds') return shelf.moulds.map(({ item }) => labelOfMould(item));
  if (kind.value === 'batches') return work.items.flatMap(({ batch, product }) => labelsOfBatch(batch, product));
  return shelf.lots.map(({ item }) =>
    labelOfLot(item, products.bySlug.get(item.productSlug)?.name ?? item.productSlug),
  );
});
const left = ref<readonly string[]>([]);
const chosen = computed(() => all.value.filter(({ id }) => !left.value.includes(id)));
const toggle = (id: string, on: boolean) => {
  left.value = on ? left.value.filter((other) => other !== id) : [...left.value, id];
};
const sheetId = ref(LABEL_SHEETS[0]!.id);
const sheet = computed(() => LABEL_SHEETS.find((s) => s.id === sheetId.value) ?? LABEL_SHEETS[0]!);
const used = ref<number | null>(null);
const pages = computed(() => layLabels(chosen.value, sheet.value, used.value ?? 0));
const origin = `${window.location.origin}${BASE}`;
const print = () => {
  window.print();
};
</script>

<template>
  <div class="stack">
    <div class="row spread screen">
      <h1>Labels</h1>
      <div class="row">
        <RouterLink class="p-button p-component p-button-secondary" :to="{ name: 'scan' }">Scan a label</RouterLink>
        <Button
          icon="pi pi-print"
          :label="`Print ${chosen.length}`"
          :disabled="chosen.length === 0"
          data-test="print-labels"
          @click="print"
        />
      </div>
    </div>
    <div class="row screen">
      <SelectButton
        :model-value="kind"
        :options="kinds"
        option-label="words"
        option-value="kind"
        :allow-empty="false"
        aria-label="Labels for"
        @update:model-value="router.replace({ query: { of: $event } })"
      />
      <Select
        v-model="sheetId"
        label-id="label-sheet"
        :options="[...LABEL_SHEETS]"
        option-label="words"
        option-value="id"
        aria-label="Sheet of labels"
      />
      <label for="labels-used">Gone from the first sheet</label>
      <span class="narrow"
        ><NumberEntry
          id="labels-used"
          :value="used"
          unit=""
          label="Labels gone from the first sheet"
          @change="(v: number | null) => (used = v)"
      /></span>
    </div>
    <p v-if="all.length === 0" class="card screen">
      {{ kind === 'batches' ? 'No batch is in work.' : 'There is nothing on that shelf yet.' }}
    </p>
    <div class="columns">
      <ul class="choices screen" aria-label="Which labels">
        <li v-for="l in all" :key="l.id">
          <Checkbox
            :input-id="`label-${l.id}`"
            :model-value="!left.includes(l.id)"
            binary
            @update:model-value="toggle(l.id, $event)"
          /><label :for="`label-${l.id}`"
            ><strong class="figures">{{ l.title }}</strong
            ><span class="small quiet block">{{ l.lines.join(', ') }}</span></label
          >
        </li>
      </ul>
      <div class="pages">
        <LabelSheetPage v-for="(page, at) in pages" :key="at" :sheet="sheet" :labels="page ?? []" :origin="origin" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.narrow {
  width: 6rem;
}
.columns {
  display: grid;
  grid-template-columns: 15rem minmax(0, 1fr);
  gap: var(--space-5);
  align-items: start;
}
.choices li {
  display: flex;
  align-items: center;
  gap: var(--space-3);
  min-height: 52px;
}
.choices label {
  flex: 1;
  padding: 4px 0;
  line-height: 1.2;
}
.block {
  display: block;
}
.pages {
  overflow-x: auto;
}
/* A sheet is as wide as its paper: where there is no room for it, it is only printed. */
@media screen and (max-width: 73em) {
  .pages {
    display: none;
  }
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 56.25em) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .screen {
    display: none !important;
  }
  .columns {
    display: block;
  }
  .pages {
    overflow: visible;
  }
}
</style>
