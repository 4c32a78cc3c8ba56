<script setup lang="ts">
import Button from 'primevue/button';
import { computed } from 'vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { download } from '../../components/download';
import { inWords } from '../../components/words';
import { useProducts } from '../../stores/products';
import { useSession } from '../../stores/session';
import { useUnits } from '../../stores/units';
import EmptyPlace from '../../components/EmptyPlace.vue';
import ShelfTabs from '../../components/ShelfTabs.vue';
import CardCurves from './CardCurves.vue';
import OwnGelLine from './OwnGelLine.vue';
import { cardGroups } from './cardFacts';
import { cardsToCsv } from './cardFile';
import PrintButton from '../../components/PrintButton.vue';

/** The shelf of products and what each card limits; what a data sheet does not say is shown as such. */
const props = defineProps<{ slug?: string }>();
const products = useProducts();
const session = useSession();
const units = useUnits();
const card = computed(() => products.bySlug.get(props.slug ?? '') ?? (props.slug ? null : (products.cards[0] ?? null)));
const groups = computed(() => (card.value ? cardGroups(card.value, units.say) : []));
const silent = computed(() => groups.value.flatMap((g) => g.facts).filter((f) => f.stated === null).length);
const exportCsv = () => {
  download('warm-jar-products.csv', 'text/csv;charset=utf-8', cardsToCsv(products.cards));
};
const exportJson = () => {
  if (card.value)
    download(
      `${card.value.slug}-${card.value.revision}.json`,
      'application/json',
      `${JSON.stringify(card.value, null, 2)}\n`,
    );
};
</script>

<template>
  <div class="stack">
    <ShelfTabs />
    <div class="row spread">
      <h1>Products</h1>
      <div class="row">
        <RouterLink
          v-if="session.isLead"
          class="p-button p-component p-button-secondary"
          :to="{ name: 'import-products' }"
          >Import</RouterLink
        >
        <Button v-if="products.cards.length" label="Export as CSV" severity="secondary" @click="exportCsv" />
        <RouterLink v-if="session.isLead" class="p-button p-component" :to="{ name: 'sheet-card' }"
          ><i class="pi pi-plus" aria-hidden="true" /> Card from a data sheet</RouterLink
        >
      </div>
    </div>
    <ProblemNote v-if="products.problem" :says="products.problem" again @again="products.load" />
    <EmptyPlace v-if="products.loaded && products.cards.length === 0" place="products" />
    <p v-else-if="products.loaded && !card" class="card">There is no card “{{ slug }}”.</p>
    <div class="columns">
      <nav aria-label="Cards" class="screen">
        <ul class="list">
          <li v-for="p in products.cards" :key="p.slug">
            <RouterLink :to="{ name: 'products', params: { slug: p.slug } }" :class="{ here: p.slug === card?.slug }"
              ><strong>{{ p.name }}</strong
              ><span class="small quiet">{{ inWords(p.family) }}</span></RouterLink
            >
          </li>
        </ul>
      </nav>
      <section v-if="card" class="stack" :aria-label="card.name">
        <div class="row spread">
          <div>
            <h2 class="name">{{ card.name }}</h2>
            <p class="quiet">
              <RouterLink :to="{ name: 'guide', params: { part: 'families', id: card.family } }">{{
                inWords(card.family)
              }}</RouterLink><template v-if="card.use?.length">, for {{ card.use.map(inWords).join(', ') }}</template
              >. Revision {{ card.revision }}, from {{ card.source ?? 'no stated source' }}.
            </p>
          </div>
          <p v-if="silent" class="quiet small silent">
            {{ silent }} figure{{ silent === 1 ? '' : 's' }} the sheet does not state: the checks that need
            {{ silent === 1 ? 'it' : 'them' }} stay silent.
          </p>
        </div>
        <p v-if="card.hazards?.length" class="hazard">
          <i class="pi pi-exclamation-triangle" aria-hidden="true" /> Contains
          {{ card.hazards.map(inWords).join(', ') }}: read the safety data sheet; it comes before anything said here.
        </p>
        <div class="row">
          <RouterLink class="p-button p-component" :to="{ name: 'plan', query: { product: card.slug } }"
            >Plan a batch with it</RouterLink
          ><RouterLink
            v-if="session.isLead"
            class="p-button p-component p-button-secondary"
            :to="{ name: 'edit-product', params: { slug: card.slug } }"
            >Change</RouterLink
          ><RouterLink
            class="p-button p-component p-button-secondary"
            :to="{ name: 'compare-product', params: { slug: card.slug } }"
            >Revisions</RouterLink
          ><Button label="Export as JSON" severity="secondary" @click="exportJson" /><PrintButton />
        </div>
        <OwnGelLine :slug="card.slug" />
        <div class="groups">
          <section v-for="g in groups" :key="g.title" class="card" :aria-label="g.title">
            <h3>{{ g.title }}</h3>
            <dl>
              <template v-for="f in g.facts" :key="f.label"
                ><dt>{{ f.label }}</dt>
                <dd>
                  <span v-if="f.stated" class="figures">{{ f.stated }}</span><em v-else class="quiet">not stated</em
                  ><span v-if="f.note" class="small quiet note">{{ f.note }}</span>
                </dd></template
              >
            </dl>
          </section>
        </div>
        <CardCurves :product="card" />
      </section>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 12.5rem minmax(0, 1fr);
  gap: var(--space-5);
  align-items: start;
}
.list a {
  display: flex;
  flex-direction: column;
  justify-content: center;
  min-height: 52px;
  padding: 4px var(--space-3);
  color: inherit;
  text-decoration: none;
  border-left: 4px solid transparent;
  line-height: 1.2;
}
.list .here {
  border-left-color: var(--part-a);
  background: var(--card);
}
.name {
  font-size: 1.4rem;
}
.groups {
  columns: 2 320px;
  column-gap: var(--space-4);
}
.groups .card {
  break-inside: avoid;
  margin-bottom: var(--space-4);
  padding: var(--space-3) var(--space-4);
}
dl {
  display: grid;
  grid-template-columns: minmax(8rem, 1fr) minmax(9rem, 1.2fr);
  gap: 0 var(--space-3);
  padding-top: 4px;
}
dt,
dd {
  padding: 4px 0;
  border-top: 1px solid var(--chalk-100);
  overflow-wrap: anywhere;
}
dd .figures {
  font-size: 0.92rem;
  font-weight: 600;
}
.note {
  display: block;
}
.silent {
  max-width: 22rem;
}
.hazard {
  background: var(--caution-ground);
  border-left: 5px solid var(--caution-edge);
  border-radius: 4px;
  padding: var(--space-2) var(--space-3);
}
@media (max-width: 56.25em) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  .list {
    display: flex;
    flex-wrap: wrap;
  }
}
</style>
