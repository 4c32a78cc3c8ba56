<script setup lang="ts">
import EmptyPlace from '../../components/EmptyPlace.vue';
import { byText, pieceSchema } from '@warm-jar/core';
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import Select from 'primevue/select';
import { computed, onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { ApiProblem } from '../../api/client';
import { piecesApi } from '../../api/pieces';
import ProblemNote from '../../components/ProblemNote.vue';
import { dayAndTime } from '../../components/words';
import { useLoaded } from '../../components/useLoaded';
import { useShelf } from '../../stores/shelf';
import { nextPieceCode } from './nextPieceCode';

/** Everything made in layers: what is to be poured next, and when. */
const { value, problem, load } = useLoaded(async () => {
  const [pieces, due] = await Promise.all([piecesApi.list(), piecesApi.due(400)]);
  return { pieces, due };
}, 'The pieces could not be read.');
const shelf = useShelf();
const router = useRouter();
onMounted(() => {
  void shelf.ready();
});
const rows = computed(() =>
  [...(value.value?.pieces ?? [])]
    .sort((a, b) => Number(a.item.done ?? false) - Number(b.item.done ?? false) || byText(a.item.code, b.item.code))
    .map(({ item }) => ({ item, due: value.value?.due.find((d) => d.piece === item.code) ?? null })),
);
const moulds = computed(() =>
  shelf.moulds.map(({ item }) => ({ code: item.code, words: `${item.code}, ${item.makes ?? ''}` })),
);
const [name, mould, adding] = [ref(''), ref<string | null>(null), ref<string | null>(null)];
async function begin() {
  try {
    const heightMm =
      Math.max(
        0,
        ...(shelf.moulds.find(({ item }) => item.code === mould.value)?.item.cavities ?? []).map((c) => c.depthMm ?? 0),
      ) || null;
    const piece = pieceSchema.parse({
      format: 'warm-jar.piece/1',
      code: nextPieceCode(rows.value.map((r) => r.item.code)),
      name: name.value.trim(),
      mould: mould.value,
      heightMm,
      layers: [],
    });
    await piecesApi.save(piece, null);
    await router.push({ name: 'piece', params: { code: piece.code } });
  } catch (error) {
    if (!(error instanceof ApiProblem)) throw error;
    adding.value = error.message;
  }
}
</script>

<template>
  <div class="stack">
    <div>
      <h1>Pieces in layers</h1>
      <p class="quiet">Several pours over several days, each waited for. A late layer moves those after it.</p>
    </div>
    <ProblemNote v-if="problem" :says="problem" again @again="load" />
    <EmptyPlace v-if="value && rows.length === 0" place="pieces" />
    <form id="new-piece" class="card row new" @submit.prevent="begin">
      <label class="cell grow"
        ><span class="small">A new piece</span
        ><InputText v-model="name" placeholder="what it is" aria-label="Name of the piece" /></label
      ><label class="cell"
        ><span class="small">In mould</span
        ><Select
          v-model="mould"
          :options="moulds"
          option-label="words"
          option-value="code"
          show-clear
          placeholder="none"
          aria-label="Mould of the piece" /></label
      ><Button type="submit" label="Begin it" :disabled="name.trim() === ''" />
    </form>
    <ProblemNote v-if="adding" :says="adding" />
    <p v-if="value && rows.length === 0" class="card">None yet. Give the first one a name.</p>
    <ul class="stack list">
      <li v-for="r in rows" :key="r.item.code" class="card">
        <RouterLink class="line" :to="{ name: 'piece', params: { code: r.item.code } }">
          <strong class="figures">{{ r.item.code }}</strong><span class="grow"
            >{{ r.item.name
            }}<span class="small quiet block"
              >{{ r.item.layers.length }} layers<template v-if="r.item.mould">, {{ r.item.mould }}</template></span
            ></span
          >
          <span v-if="r.item.done" class="quiet">done</span
          ><span v-else-if="r.due" class="next"
            >layer {{ r.due.layer }}, {{ r.due.product }}: <strong>{{ dayAndTime(r.due.at) }}</strong><span
              class="small quiet block"
              >{{ r.due.says }}</span
            ></span
          ><span v-else class="quiet">every layer is poured</span></RouterLink
        >
      </li>
    </ul>
  </div>
</template>

<style scoped>
.list {
  gap: var(--space-2);
}
.list .card {
  padding: 0;
}
.line {
  display: flex;
  align-items: center;
  gap: var(--space-4);
  padding: var(--space-3) var(--space-4);
  color: inherit;
  text-decoration: none;
  min-height: 60px;
}
.line:hover {
  background: var(--bottle-50);
}
.grow {
  flex: 1;
  min-width: 0;
}
.next {
  flex: 1.6;
}
.block {
  display: block;
}
.new {
  align-items: end;
}
.cell {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
</style>
