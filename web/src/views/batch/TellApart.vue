<script setup lang="ts">
import { castingsOf, type Batch, type Casting, type Mould } from '@warm-jar/core';
import Button from 'primevue/button';
import InputNumber from 'primevue/inputnumber';
import { computed, ref, toRef } from 'vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { useCastingWrites } from '../../stores/castingWrites';
import { useShelf } from '../../stores/shelf';

/** Tells the castings of a mix apart, one a cavity, so that each has its own look, grade and price. */
const props = defineProps<{ code: string; batch: Batch }>();
const emit = defineEmits<{ changed: [] }>();
const shelf = useShelf();
const { tellApart, problem } = useCastingWrites(toRef(props, 'code'), toRef(props, 'batch'), () => {
  emit('changed');
  return Promise.resolve();
});
const mould = computed<Mould | null>(
  () => shelf.moulds.find(({ item }) => item.code === props.batch.mould?.code)?.item ?? null,
);
const count = ref<number | null>(null);
const open = ref(false);
const begin = () => {
  count.value = mould.value?.cavities?.length ?? null;
  open.value = true;
};
const castings = (n: number): Casting[] =>
  Array.from({ length: n }, (_, i) => ({
    id: `k${i + 1}`,
    ...(mould.value ? { mould: { code: mould.value.code, cavity: i + 1 } } : {}),
  }));
const keep = () => {
  if (count.value !== null && count.value >= 1) void tellApart(castings(count.value));
};
</script>

<template>
  <div v-if="castingsOf(batch).length === 0">
    <ProblemNote v-if="problem" :says="problem" />
    <Button v-if="!open" severity="secondary" data-test="tell-apart" @click="begin">Tell its castings apart</Button>
    <div v-else class="card row ask">
      <label
        >How many castings came of it?
        <InputNumber v-model="count" :min="1" :max="200" show-buttons input-id="how-many" data-test="how-many" />
      </label>
      <span v-if="mould" class="small quiet"
        >{{ mould.code }} has {{ mould.cavities?.length ?? 0 }} cavities; k1 is cavity 1.</span
      >
      <Button :disabled="count === null" data-test="tell-apart-now" @click="keep">Tell them apart</Button>
      <Button severity="secondary" text label="Leave it as one" @click="open = false" />
    </div>
  </div>
</template>

<style scoped>
.ask {
  gap: var(--space-4);
}
</style>
