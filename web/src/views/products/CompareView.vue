<script setup lang="ts">
import { changedFields, type Product } from '@warm-jar/core';
import Select from 'primevue/select';
import { computed, ref, shallowRef, watch } from 'vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { useUnits } from '../../stores/units';
import { cardGroups } from './cardFacts';
import { readRevisions } from './readRevisions';
import TableBox from '../../components/TableBox.vue';

/** Two revisions of a card side by side, what differs first. */
const props = defineProps<{ slug: string }>();
const units = useUnits();
const revisions = shallowRef<Product[]>([]);
const problem = ref<string | null>(null);
const left = ref<number | null>(null);
const right = ref<number | null>(null);
watch(
  () => props.slug,
  async () => {
    const answer = await readRevisions(props.slug);
    problem.value = answer.problem;
    revisions.value = answer.revisions;
    right.value = answer.revisions[0]?.revision ?? null;
    left.value = answer.revisions[1]?.revision ?? right.value;
  },
  { immediate: true },
);
const of = (revision: number | null) => revisions.value.find((r) => r.revision === revision) ?? null;
const options = computed(() =>
  revisions.value.map((r) => ({
    value: r.revision,
    words: `revision ${r.revision}${r.source ? `, ${r.source}` : ''}`,
  })),
);
const rows = computed(() => {
  const [a, b] = [of(left.value), of(right.value)];
  if (!a || !b) return [];
  const facts = (p: Product) => cardGroups(p, units.say).flatMap((g) => g.facts.map((f) => ({ ...f, group: g.title })));
  const [before, after] = [
    new Map(facts(a).map((f) => [`${f.group} ${f.label}`, f])),
    new Map(facts(b).map((f) => [`${f.group} ${f.label}`, f])),
  ];
  return [...new Set([...before.keys(), ...after.keys()])]
    .map((key) => ({
      key,
      label: (after.get(key) ?? before.get(key))!.label,
      group: (after.get(key) ?? before.get(key))!.group,
      before: before.get(key)?.stated ?? null,
      after: after.get(key)?.stated ?? null,
    }))
    .map((r) => ({ ...r, differs: r.before !== r.after }))
    .sort((x, y) => Number(y.differs) - Number(x.differs));
});
const raw = computed(() => changedFields({ ...of(left.value), revision: 0 }, { ...of(right.value), revision: 0 }));
</script>

<template>
  <div class="stack">
    <h1>Revisions of {{ revisions[0]?.name ?? slug }}</h1>
    <ProblemNote v-if="problem" :says="problem" />
    <template v-if="revisions.length">
      <div class="row">
        <Select
          v-model="left"
          :options="options"
          option-label="words"
          option-value="value"
          aria-label="Earlier revision"
        /><span>against</span
        ><Select
          v-model="right"
          :options="options"
          option-label="words"
          option-value="value"
          aria-label="Later revision"
        /><RouterLink :to="{ name: 'products', params: { slug } }">Back to the card</RouterLink>
      </div>
      <p data-test="difference">
        {{
          raw.length === 0
            ? 'They say the same.'
            : `${raw.length} field${raw.length === 1 ? ' differs' : 's differ'}: ${raw.join(', ')}.`
        }}
      </p>
      <TableBox label="Both cards"
        ><table class="card">
          <thead>
            <tr>
              <th scope="col">Figure</th>
              <th scope="col">Revision {{ left }}</th>
              <th scope="col">Revision {{ right }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in rows" :key="r.key" :class="{ differs: r.differs }">
              <td>
                {{ r.label }} <span class="quiet small">{{ r.group.toLowerCase() }}</span>
              </td>
              <td class="figures">{{ r.before ?? 'not stated' }}</td>
              <td class="figures">{{ r.after ?? 'not stated' }}</td>
            </tr>
          </tbody>
        </table></TableBox
      >
    </template>
  </div>
</template>

<style scoped>
table {
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 7px 12px;
  border-bottom: 1px solid var(--chalk-100);
}
.differs td {
  background: var(--amber-100);
  font-weight: 700;
}
</style>
