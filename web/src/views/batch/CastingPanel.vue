<script setup lang="ts">
import {
  castingAsBatch,
  castingName,
  castingOf,
  castingsOf,
  finishAgenda,
  limitReadings,
  mendsOf,
  type Batch,
  type Casting,
  type FinishStep,
  type Product,
} from '@warm-jar/core';
import Button from 'primevue/button';
import Checkbox from 'primevue/checkbox';
import InputText from 'primevue/inputtext';
import Select from 'primevue/select';
import { computed, onMounted, ref, toRef, useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import ColourCard from './ColourCard.vue';
import { DateEntry } from '../../components/laterEntry';
import LimitStrip from '../../components/LimitStrip.vue';
import MendChain from '../../components/MendChain.vue';
import NumberEntry from '../../components/NumberEntry.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { dayAndTime } from '../../components/words';
import { useCastingWrites } from '../../stores/castingWrites';
import { localMoment } from '../../stores/draft';
import { useLive } from '../../stores/live';
import { useShelf } from '../../stores/shelf';
import { useSession } from '../../stores/session';
import { useUnits } from '../../stores/units';

/** One casting: why it is a second, its price, what is still to be done to it, and where it alone left the card. */
const props = defineProps<{ code: string; id: string; batch: Batch; product: Product }>();
const emit = defineEmits<{ changed: [] }>();
const live = useLive();
const session = useSession();
const units = useUnits();
const router = useRouter();
const { say, tellApart, problem } = useCastingWrites(toRef(props, 'code'), toRef(props, 'batch'), () => {
  emit('changed');
  return Promise.resolve();
});
const root = useTemplateRef<HTMLElement>('root');
onMounted(() => root.value?.scrollIntoView({ block: 'nearest' }));
const casting = computed(() => castingOf(props.batch, props.id));
const view = computed(() => castingAsBatch(props.product, props.batch, props.id));
const outside = computed(() =>
  limitReadings(props.product, view.value, units.say).filter((r) => r.state === 'below' || r.state === 'above'),
);
const tasks = computed(() => finishAgenda(props.product, props.batch, props.id));
const startMs = computed(() => (props.batch.startedAt ? Date.parse(props.batch.startedAt) : null));
const whenWords = (fromMin: number | null) => {
  if (fromMin === null || startMs.value === null) return 'the card does not say when';
  const at = startMs.value + fromMin * 60_000;
  return at <= live.nowMs ? 'may be done now' : `from ${dayAndTime(new Date(at).toISOString())}`;
};
const tick = (step: FinishStep, done: boolean) => {
  const others = (casting.value?.finish ?? []).filter((f) => f.step !== step);
  const now = { step, at: localMoment(new Date(live.exactMs())), by: session.person };
  void say(props.id, { finish: done ? [...others, now] : others });
};
const reason = ref(casting.value?.reason ?? '');
const texts = ref<Record<string, string>>({});
/** A figure is written when the field is left or Enter is pressed, not at each of its digits. */
const typed = ref<Partial<Casting>>({});
const keep = () => {
  if (Object.keys(texts.value).length > 0) return;
  const changed = Object.entries(typed.value).filter(([key, v]) => (casting.value?.[key] ?? null) !== v);
  if (changed.length > 0) void say(props.id, Object.fromEntries(changed));
};
const enter = (key: 'price' | 'massG' | 'demouldedMin', value: number | null, raw?: string) => {
  texts.value = {
    ...Object.fromEntries(Object.entries(texts.value).filter(([k]) => k !== key)),
    ...(raw === undefined ? {} : { [key]: raw }),
  };
  typed.value = { ...typed.value, [key]: value };
};
const shelf = useShelf();
const moulds = computed(() => shelf.moulds.map(({ item }) => item.code));
const cavity = ref<number | null>(null);
const keepCavity = () => {
  const next = cavity.value;
  if (next !== null && next !== (casting.value?.mould?.cavity ?? null))
    void say(props.id, { mould: { ...casting.value?.mould, cavity: next } });
};
/** A casting that somebody looked at by itself was there. */
const lookedAlone = computed(
  () =>
    (props.batch.checks ?? []).some((c) => c.casting === props.id) ||
    (props.batch.mends ?? []).some((m) => m.castings?.includes(props.id)),
);
const keepReason = () => {
  const next = reason.value.trim() || null;
  if (next !== (casting.value?.reason ?? null)) void say(props.id, { reason: next });
};
const go = (name: string) => void router.push({ name, params: { code: props.code }, query: { casting: props.id } });
</script>

<template>
  <section v-if="casting" ref="root" class="casting stack" :aria-label="`Casting ${id}`" data-test="casting-panel">
    <ProblemNote v-if="problem" :says="problem" />
    <div class="row spread">
      <h2>
        <span class="figures">{{ castingName(code, id) }}</span>
      </h2>
      <div class="row">
        <Button label="Check" severity="secondary" @click="go('check')" />
        <Button label="Diagnosis" severity="secondary" @click="go('diagnosis')" />
        <Button label="Print label" severity="secondary" @click="go('sheet')" />
      </div>
    </div>
    <div class="said">
      <label class="small"
        >Why it is a second or scrap<InputText
          v-model="reason"
          autocomplete="off"
          data-test="reason"
          @blur="keepReason"
          @keydown.enter.prevent="keepReason"
      /></label>
      <label class="small"
        >Price<NumberEntry
          :id="`price-${id}`"
          :value="(typed.price !== undefined ? typed.price : casting.price) ?? null"
          :raw-text="texts['price']"
          unit=""
          label="Price"
          @change="(v, raw) => enter('price', v, raw)"
          @enter="keep"
          @focusout="keep"
      /></label>
      <label class="small"
        >Mass<NumberEntry
          :id="`mass-${id}`"
          :value="(typed.massG !== undefined ? typed.massG : casting.massG) ?? null"
          :raw-text="texts['massG']"
          unit="g"
          label="Mass of the casting"
          @change="(v, raw) => enter('massG', v, raw)"
          @enter="keep"
          @focusout="keep"
      /></label>
      <label class="small"
        >Sold on<DateEntry
          :id="`sold-${id}`"
          :value="casting.soldOn ?? null"
          label="Sold on"
          placeholder="not sold"
          @change="say(id, { soldOn: $event })"
      /></label>
    </div>
    <div class="said">
      <label class="small"
        >Mould<Select
          :model-value="casting.mould?.code ?? null"
          :options="moulds"
          show-clear
          placeholder="not recorded"
          aria-label="Mould of the casting"
          @update:model-value="say(id, { mould: { ...casting.mould, code: $event ?? null } })"
      /></label>
      <label class="small"
        >Cavity<NumberEntry
          :id="`cavity-${id}`"
          :value="cavity ?? casting.mould?.cavity ?? null"
          unit=""
          label="Cavity"
          @change="(v) => (cavity = v)"
          @enter="keepCavity"
          @focusout="keepCavity"
      /></label>
      <label v-if="(batch.cups ?? []).length" class="small"
        >From cup<Select
          :model-value="casting.cup ?? null"
          :options="(batch.cups ?? []).map((c) => c.id)"
          show-clear
          placeholder="not recorded"
          aria-label="Cup it was poured from"
          @update:model-value="say(id, { cup: $event ?? null })"
      /></label>
      <Button
        v-if="!lookedAlone"
        label="There was no such casting"
        severity="danger"
        text
        data-test="no-casting"
        @click="tellApart(castingsOf(batch).filter((k) => k.id !== id))"
      />
    </div>
    <div class="two">
      <div v-if="tasks.length" class="stack" data-test="finish">
        <h3>Still to do, and done</h3>
        <ul class="tasks">
          <li v-for="t in tasks" :key="t.step">
            <label class="task" :class="{ done: t.done }"
              ><Checkbox
                :model-value="t.done"
                binary
                :input-id="`do-${t.step}`"
                @update:model-value="tick(t.step, $event)"
              /><span
                ><strong>{{ t.step }}</strong>
                <span class="small quiet">{{
                  t.done ? `${dayAndTime(t.at)}${t.by ? `, ${t.by}` : ''}` : whenWords(t.fromMin)
                }}</span><span class="small block">{{ t.says }}</span></span
              ></label
            >
          </li>
        </ul>
      </div>
      <div class="stack">
        <template v-if="outside.length"
          ><h3>Outside the card</h3>
          <LimitStrip v-for="r in outside" :key="r.field" :reading="r"
        /></template>
        <ColourCard :batch="view" />
        <MendChain :stories="mendsOf(view)" />
      </div>
    </div>
  </section>
</template>

<style scoped>
.casting {
  border-top: 3px solid var(--band);
  padding-top: var(--space-3);
}
.said {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr) minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-3);
  align-items: end;
}
.said label {
  display: flex;
  flex-direction: column;
  gap: 2px;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-5);
  align-items: start;
}
.tasks {
  list-style: none;
  margin: 0;
  padding: 0;
}
.task {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: var(--space-3);
  align-items: center;
  min-height: var(--target);
  cursor: pointer;
  padding: 4px 0;
}
.done strong {
  text-decoration: line-through;
}
.block {
  display: block;
}
.task strong {
  margin-right: var(--space-2);
}
strong {
  text-transform: capitalize;
}
@media (max-width: 61.25em) {
  .said,
  .two {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
