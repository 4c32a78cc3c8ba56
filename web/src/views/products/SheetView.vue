<script setup lang="ts">
import Button from 'primevue/button';
import { computed } from 'vue';
import BringCard from '../../components/BringCard.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import SheetIdentity from './SheetIdentity.vue';
import SheetOfferRow from './SheetOfferRow.vue';
import SheetWords from './SheetWords.vue';
import { useSheet } from './useSheet';

/** A data sheet brought in: each figure found beside its line, to be taken or not. Nothing leaves this machine. */
const sheet = useSheet();
const { kept, read, offers, taken, figures, problem, busy } = sheet;
const lines = computed(() => kept.value.text.split(/\r\n|[\r\n\f\v\u2028]/));
const several = computed(() => (read.value?.products ?? []).length > 1);
const unsettled = computed(() => offers.value.filter((o) => o.contradicts && taken.value[o.id] == null).length);
const found = computed(() => offers.value.length > 0);
</script>

<template>
  <div class="stack">
    <div class="row spread">
      <h1>Card from a data sheet</h1>
      <RouterLink :to="{ name: 'new-product' }">Type it in by hand instead</RouterLink>
    </div>
    <BringCard
      label="The data sheet"
      choose="Choose a PDF"
      accept=".pdf,.txt,.md,application/pdf,text/plain"
      file-label="Data sheet file"
      :name="kept.name"
      hint="or drop it here, or paste its words below. It is read on this machine only."
      :text="kept.text"
      text-id="sheet-text"
      text-label="Words of the data sheet"
      placeholder="Paste the sheet’s words here, tables and all"
      :rows="kept.text ? 4 : 8"
      :busy="busy"
      @open="sheet.open"
      @paste="sheet.paste"
      @put-away="sheet.putAway"
    />
    <ProblemNote v-if="problem" :says="problem" />
    <p v-if="sheet.draft.value && kept.text" class="card" role="status">
      A card is begun already and not saved yet. What you take goes into it, over what stands there.
    </p>
    <section v-if="several" class="card" aria-labelledby="which">
      <h2 id="which">Which product?</h2>
      <p class="quiet">This sheet tells of several. Until you say which, only what holds for all is read.</p>
      <div class="row">
        <Button
          v-for="p in read?.products ?? []"
          :key="p"
          :label="p"
          :severity="p === kept.asked ? undefined : 'secondary'"
          :aria-pressed="p === kept.asked"
          @click="sheet.ask(p === kept.asked ? null : p)"
        />
      </div>
    </section>
    <div v-if="kept.text && read" class="columns">
      <section class="stack" aria-labelledby="found">
        <h2 id="found" role="status">
          {{ found ? `${offers.length} found` : 'No figure was found' }}
        </h2>
        <p v-if="!found" class="quiet">
          Either it states none, or its words are unusual. Type them in by hand: every field says its unit.
        </p>
        <p v-if="unsettled" class="bad" data-test="unsettled">
          <i class="pi pi-exclamation-triangle" aria-hidden="true" />
          {{ unsettled === 1 ? 'One contradicts itself' : `${unsettled} contradict themselves` }} on the sheet: say
          which is right, or leave it out. Ask the maker where you cannot tell.
        </p>
        <ul class="offers">
          <SheetIdentity :kept="kept" :name="sheet.name.value" :family="read.family" @change="sheet.change" />
          <SheetOfferRow
            v-for="o in offers"
            :key="o.id"
            :offer="o"
            :taken="taken[o.id] ?? null"
            :lines="lines"
            @take="sheet.choose(o.id, $event)"
          />
        </ul>
        <div class="row">
          <Button
            :label="figures.length ? `Take ${figures.length} figures into a card` : 'Begin a card with what is known'"
            data-test="take"
            @click="sheet.takeAll"
          /><span class="quiet small">You see the whole card before it is saved. The rest stays not stated.</span>
        </div>
      </section>
      <SheetWords :lines="lines" :offers="offers" />
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(0, 1fr);
  gap: var(--space-5);
  align-items: start;
}
.offers {
  display: flex;
  flex-direction: column;
}
.bad {
  color: var(--outside);
  font-weight: 650;
}
@media (max-width: 62.5em) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
