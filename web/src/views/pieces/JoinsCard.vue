<script setup lang="ts">
import {
  joinSteps,
  joinTimes,
  partsFault,
  partsOf,
  sayMinutes,
  type Join,
  type Piece,
  type Product,
} from '@warm-jar/core';
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import Select from 'primevue/select';
import { computed, ref } from 'vue';
import CautionNote from '../../components/CautionNote.vue';
import { dayAndTime } from '../../components/words';
import { localMoment } from '../../stores/draft';
import { useLive } from '../../stores/live';
import { useProducts } from '../../stores/products';
import { useSession } from '../../stores/session';
import { useUnits } from '../../stores/units';

/** Castings joined into the piece: with what, how long to hold, and when the joint bears, by the resin's own card. */
const props = defineProps<{ piece: Piece }>();
const emit = defineEmits<{ change: [piece: Piece] }>();
const products = useProducts();
const live = useLive();
const session = useSession();
const units = useUnits();
const joins = computed(() => props.piece.joins ?? []);
const text = ref('');
const resin = ref<string | null>(null);
const tried = ref(false);
const fault = computed(() => partsFault(text.value));
const card = computed<Product | null>(() => products.bySlug.get(resin.value ?? '') ?? null);
/** The bench's temperature, where the piece says it; else the card's own. */
const roomC = computed(() => props.piece.roomC ?? card.value?.demould?.atC ?? null);
const times = computed(() => (card.value && roomC.value !== null ? joinTimes(card.value, roomC.value) : null));
const nameOf = (slug: string | null | undefined) =>
  products.bySlug.get(slug ?? '')?.name ?? slug ?? 'a resin not named';
const steps = (j: Join) => joinSteps(nameOf(j.with), j.holdMin ?? null, j.bearsAfterMin ?? null);
const put = (next: readonly Join[]) => {
  emit('change', { ...props.piece, joins: [...next] });
};
function add(): void {
  tried.value = true;
  if (fault.value !== null || !card.value) return;
  put([
    ...joins.value,
    {
      parts: partsOf(text.value),
      with: card.value.slug,
      holdMin: times.value?.holdMin == null ? null : Math.round(times.value.holdMin),
      bearsAfterMin: times.value?.bearsAfterMin == null ? null : Math.round(times.value.bearsAfterMin),
    },
  ]);
  [text.value, resin.value, tried.value] = ['', null, false];
}
const joinNow = (i: number) => {
  put(
    joins.value.map((j, at) =>
      at === i ? { ...j, joinedAt: localMoment(new Date(live.exactMs())), by: session.person } : j,
    ),
  );
};
const drop = (i: number) => {
  put(joins.value.filter((_, at) => at !== i));
};
const until = (j: Join, minutes: number | null | undefined) =>
  j.joinedAt == null || minutes == null
    ? null
    : dayAndTime(new Date(Date.parse(j.joinedAt) + minutes * 60_000).toISOString());
</script>

<template>
  <section class="card stack" aria-labelledby="joins" data-test="joins">
    <h2 id="joins">Castings joined into it</h2>
    <p v-if="joins.length === 0" class="quiet small">None. Castings are named by their batch and id, as B-0431/k1.</p>
    <ol class="list">
      <li v-for="(j, i) in joins" :key="i" :data-join="i">
        <div class="row spread">
          <strong class="figures">{{ j.parts.join(' + ') }}</strong><span class="row"
            ><Button v-if="j.joinedAt == null" label="Joined now" data-test="joined" @click="joinNow(i)" /><Button
              icon="pi pi-trash"
              severity="secondary"
              text
              :aria-label="`Take this joint off: ${j.parts.join(', ')}`"
              @click="drop(i)"
          /></span>
        </div>
        <p v-if="j.joinedAt" class="small" data-test="join-times">
          Joined {{ dayAndTime(j.joinedAt) }}<template v-if="j.by">, {{ j.by }}</template
          >, with {{ nameOf(j.with)
          }}<template v-if="until(j, j.holdMin)">. Hold until {{ until(j, j.holdMin) }}</template
          ><template v-if="until(j, j.bearsAfterMin)">; bears from {{ until(j, j.bearsAfterMin) }}</template
          >.
        </p>
        <template v-else>
          <ol class="small steps">
            <li v-for="s in steps(j)" :key="s">{{ s }}</li>
          </ol>
          <CautionNote
            v-if="products.bySlug.get(j.with ?? '')"
            :product="products.bySlug.get(j.with ?? '')!"
            stage="weigh"
          />
        </template>
      </li>
    </ol>
    <div class="new">
      <label class="small"
        >Castings<InputText
          v-model="text"
          autocomplete="off"
          placeholder="B-0431/k1, B-0431/k4"
          data-test="join-parts"
          :invalid="tried && fault !== null"
      /></label>
      <label class="small"
        >Bonded with<Select
          v-model="resin"
          :options="products.cards"
          option-label="name"
          option-value="slug"
          placeholder="which resin"
          aria-label="Bonded with"
          data-test="join-resin"
      /></label>
      <Button label="Join them" severity="secondary" data-test="join" @click="add" />
    </div>
    <p v-if="tried && fault" class="small bad" role="alert">{{ fault }}</p>
    <p v-else-if="tried && !card" class="small bad" role="alert">Choose the resin that bonds them.</p>
    <p v-else-if="card && times" class="small quiet" data-test="join-told">
      By its card at {{ units.say(roomC ?? 0, '°C') }}:
      {{ times.holdMin === null ? 'it does not say how long to hold' : `hold for ${sayMinutes(times.holdMin)}` }},
      {{ times.bearsAfterMin === null ? 'nor when it bears' : `bears after ${sayMinutes(times.bearsAfterMin)}` }}.
    </p>
  </section>
</template>

<style scoped>
.list,
.steps {
  margin: 0;
  padding-left: 1.2rem;
}
.list > li + li {
  border-top: 1px solid var(--card-edge);
  padding-top: var(--space-2);
}
.new {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr) auto;
  gap: var(--space-3);
  align-items: end;
}
.new label {
  display: flex;
  flex-direction: column;
  gap: 2px;
}
.bad {
  color: var(--outside);
  font-weight: 650;
}
@media (max-width: 51.25em) {
  .new {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
