<script setup lang="ts">
import { keepEnter } from '../../keys/keys';
import Button from 'primevue/button';
import { computed, ref, toRef } from 'vue';
import FieldEntry from '../../components/form/FieldEntry.vue';
import ListRows from '../../components/form/ListRows.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { useProducts } from '../../stores/products';
import type { Tree } from '../../stores/draftPath';
import { useSession } from '../../stores/session';
import type { ShelfKind } from './kinds';
import AdditivePanel from './panels/AdditivePanel.vue';
import GearPanel from './panels/GearPanel.vue';
import InclusionPanel from './panels/InclusionPanel.vue';
import LotPanel from './panels/LotPanel.vue';
import MouldPanel from './panels/MouldPanel.vue';
import { useShelfItem } from './useShelfKind';

/** One thing of the shelf: what is known of it to change, and what follows from it. */
const props = defineProps<{ kind: ShelfKind; code: string | null; asked?: Tree }>();
const products = useProducts();
const { form, shelved, problem, saving, save, remove } = useShelfItem(props.kind, toRef(props, 'code'), props.asked);
const fields = computed(() => props.kind.fields(form.document.value, products.cards));
const session = useSession();
const mayChange = computed(() => session.isLead || (props.kind.place !== 'gear' && !session.isBoard));
/** What is to be changed stands below what follows from it, of which a mould's comes a moment later. */
const panelThere = ref(props.kind.place !== 'moulds');
const PANELS = {
  lots: LotPanel,
  moulds: MouldPanel,
  inclusions: InclusionPanel,
  additives: AdditivePanel,
  gear: GearPanel,
};
</script>

<template>
  <form class="stack" novalidate @submit.prevent="save" @keydown.enter="keepEnter">
    <ProblemNote v-if="problem" :says="problem" />
    <component
      :is="PANELS[kind.place]"
      :document="form.document.value"
      :shelved="shelved"
      :set="form.set"
      v-on="kind.place === 'moulds' ? { there: () => (panelThere = true) } : {}"
    />
    <div v-show="panelThere" class="stack">
      <section class="card" :aria-label="code ?? `New ${kind.one}`">
        <h2>{{ code ?? `New ${kind.one}` }}</h2>
        <div class="fields">
          <div v-for="f in fields" :key="f.path" class="cell">
            <span class="small">{{ f.label }}</span><FieldEntry :field="f" :path="f.path" />
          </div>
        </div>
      </section>
      <section v-for="l in kind.lists(products.cards)" :key="l.path" class="card stack" :aria-label="l.title">
        <h2>{{ l.title }}</h2>
        <ListRows :path="l.path" :fields="l.fields" :one="l.one" plain />
      </section>
      <p v-if="!mayChange" class="quiet" data-test="lead-only">
        {{ session.isBoard ? 'A board only shows.' : 'Gear is changed by a lead.' }}
      </p>
      <div v-else class="row" data-test="item-actions">
        <Button type="submit" label="Save" :loading="saving" />
        <Button v-if="form.changed.value" label="Undo my changes" severity="secondary" text @click="form.drop" />
        <Button v-if="shelved" label="Delete" severity="danger" text @click="remove" />
      </div>
    </div>
  </form>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
  gap: var(--space-3) var(--space-4);
  padding-top: var(--space-2);
}
.cell {
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-width: 0;
}
</style>
