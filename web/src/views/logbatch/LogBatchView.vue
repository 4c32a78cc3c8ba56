<script setup lang="ts">
import EmptyPlace from '../../components/EmptyPlace.vue';
import { keepEnter } from '../../keys/keys';
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import Select from 'primevue/select';
import Textarea from 'primevue/textarea';
import { computed, onMounted } from 'vue';
import { useRoute } from 'vue-router';
import CautionNote from '../../components/CautionNote.vue';
import KeyCap from '../../components/KeyCap.vue';
import MomentEntry from '../../components/MomentEntry.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { useByNow } from '../../components/useByNow';
import { useProducts } from '../../stores/products';
import { useShelf } from '../../stores/shelf';
import { fieldsFor, rowFields, sectionsFor } from '../../components/form/recordFields';
import FieldRow from './FieldRow.vue';
import ListRows from '../../components/form/ListRows.vue';
import LimitStrip from '../../components/LimitStrip.vue';
import MergeDialog from './MergeDialog.vue';
import PickFromShelf from './PickFromShelf.vue';
import SidePanel from './SidePanel.vue';
import { useLogBatch } from './useLogBatch';

/** A batch written down in the order of the work, its limits told while typing. Every keystroke is kept. */
const props = defineProps<{ code?: string }>();
const products = useProducts();
const shelf = useShelf();
const route = useRoute();
const { context, problem, saving, loading, save, discard, load, gone, meeting, asMine, putTogether, dropMine } =
  useLogBatch(props.code ?? null);
const { product, value, set, issues, draft } = context;
onMounted(() => void shelf.ready());
// What the shelf offers stands above the fields: they would move under a finger as it came.
const shelfByNow = useByNow(() => shelf.loaded);
const sections = computed(() => (product.value && shelfByNow.value ? sectionsFor(product.value) : []));
const text = (path: string) => {
  const v = value(path);
  return typeof v === 'string' ? v : null;
};
/** The lots' own fields stand open where the shelf has none to choose, or where one of them needs a look. */
const lotsByHand = computed(
  () =>
    !shelf.lots.some(({ item }) => item.productSlug === product.value?.slug) ||
    Object.keys(issues.value).some((path) => path.startsWith('lot')) ||
    String(route.query['at'] ?? '').startsWith('lot'),
);
const stripsOf = (prefix: string) => [...context.readings.value.values()].filter((r) => r.field.startsWith(prefix));
const choose = (slug: string) => {
  set('product', { slug, revision: products.bySlug.get(slug)?.revision ?? null });
};
</script>

<template>
  <div class="page">
    <form class="stack work" novalidate @submit.prevent="save" @keydown.enter="keepEnter">
      <div class="row spread">
        <h1>{{ code ? `Change ${code}` : 'Log a batch' }}</h1>
        <p v-if="draft" class="small quiet" data-test="draft-kept">
          <i class="pi pi-check-circle" aria-hidden="true" /> Kept in this browser as you type
        </p>
      </div>
      <ProblemNote v-if="problem" :says="problem" :again="loading === 'failed'" @again="load" />
      <div v-if="gone" class="card stack" role="alert" data-test="draft-gone">
        <p>
          <strong>The draft that was here is gone.</strong> It was saved or discarded on another page, or this browser
          was emptied.
        </p>
        <div class="row"><Button label="Begin again" @click="load" /></div>
      </div>
      <EmptyPlace v-if="products.loaded && products.cards.length === 0" place="plan" />
      <section v-if="draft" class="card stack" aria-label="Which batch">
        <div class="first">
          <label class="cell"
            ><span class="small">Product</span>
            <Select
              :model-value="text('product.slug')"
              :options="products.cards"
              option-label="name"
              option-value="slug"
              label-id="product"
              filter
              placeholder="Choose the product"
              :invalid="Boolean(issues['product.slug'])"
              aria-label="Product"
              @update:model-value="choose"
            />
            <span v-if="issues['product.slug']" class="small error" role="alert">{{ issues['product.slug'] }}</span>
          </label>
          <label class="cell"
            ><span class="small">Parts met at</span
            ><MomentEntry
              id="startedAt"
              :value="text('startedAt')"
              label="Parts met at"
              :error="issues['startedAt']"
              @change="set('startedAt', $event)"
          /></label>
          <label class="cell narrow"
            ><span class="small">By</span
            ><InputText
              id="by"
              :model-value="text('by') ?? ''"
              aria-label="By"
              autocomplete="off"
              @update:model-value="set('by', $event || null)"
          /></label>
        </div>
        <p v-if="!product && products.cards.length > 0" class="quiet">
          Choose the product; its card decides what is asked and which limits are drawn.
        </p>
      </section>

      <nav v-if="sections.length > 0" class="jump" aria-label="Steps on this page">
        <a v-for="s in sections" :key="s.id" :href="`#s-${s.id}`">{{ s.title }}</a>
      </nav>

      <section v-for="s in sections" :id="`s-${s.id}`" :key="s.id" class="card stack step" :aria-label="s.title">
        <h2>{{ s.title }}</h2>
        <CautionNote
          :product="product"
          :stage="s.stage"
          v-if="['conditions', 'clear', 'pour', 'press', 'cure', 'mix'].includes(s.id)"
          stays
        />
        <PickFromShelf v-if="product" :section="s.id" :product="product" />
        <ListRows v-if="s.id === 'colour'" path="additives" :fields="rowFields('additives')" one="additive"
          ><template #default="{ rows }"
            ><template v-if="rows.length"
              ><LimitStrip v-for="r in stripsOf('additives.')" :key="r.field" :reading="r" stays /></template></template
        ></ListRows>
        <ListRows v-else-if="s.id === 'inclusions'" path="inclusions" :fields="rowFields('inclusions')" one="inclusion"
          ><LimitStrip v-for="r in stripsOf('inclusions[')" :key="r.field" :reading="r" stays
        /></ListRows>
        <details v-else-if="product && s.id === 'lots'" :open="lotsByHand">
          <summary>By hand, or to correct</summary>
          <FieldRow v-for="f in fieldsFor(s, product)" :key="f.label" :field="f" />
        </details>
        <template v-else-if="product"
          ><FieldRow v-for="f in fieldsFor(s, product)" :key="f.label" :field="f"
        /></template>
      </section>

      <section v-if="sections.length > 0" class="card stack" aria-label="Note">
        <label class="cell"
          ><span>Note</span
          ><Textarea
            :model-value="text('note') ?? ''"
            rows="2"
            auto-resize
            aria-label="Note"
            @update:model-value="set('note', $event || null)"
        /></label>
      </section>
      <div v-if="sections.length > 0" class="row actions">
        <Button type="submit" :label="code ? 'Save the change' : 'Save the batch'" :loading="saving" />
        <span class="quiet small"><KeyCap k="Ctrl" /> <KeyCap k="Enter" /></span>
        <Button label="Discard the draft" severity="danger" text @click="discard" />
      </div>
    </form>
    <MergeDialog
      v-if="meeting"
      v-model:as-mine="asMine"
      :meeting="meeting"
      @together="putTogether"
      @drop="dropMine"
      @close="meeting = null"
    />
    <SidePanel v-if="product" class="side" :saving="saving" @save="save" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 17.25rem;
  gap: var(--space-5);
  align-items: start;
}
.first {
  display: grid;
  grid-template-columns: minmax(12rem, 1.2fr) minmax(15rem, 1.2fr) 6rem;
  gap: var(--space-4);
}
.cell {
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-width: 0;
}
.error {
  color: var(--outside);
  font-weight: 600;
}
.jump {
  display: flex;
  flex-wrap: wrap;
  gap: 2px var(--space-3);
  position: sticky;
  top: 0;
  z-index: 3;
  background: var(--page);
  padding: 6px 0;
}
.jump a {
  display: inline-flex;
  align-items: center;
  min-height: 36px;
  font-size: 0.92rem;
}
summary {
  cursor: pointer;
  min-height: 40px;
  font-weight: 600;
}
.step {
  scroll-margin-top: 64px;
  gap: var(--space-2);
}
@media (max-width: 68.75em) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
  .side {
    order: -1;
  }
  .first {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
</style>
