<script setup lang="ts">
import EmptyPlace from '../../components/EmptyPlace.vue';
import Button from 'primevue/button';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { logApi, type Series } from '../../api/learning';
import ProblemNote from '../../components/ProblemNote.vue';
import { dayAndTime } from '../../components/words';
import { useLoaded } from '../../components/useLoaded';
import { useProducts } from '../../stores/products';
import LearningTabs from './LearningTabs.vue';

/** Series of attempts: each batch copied from the one before with something changed on purpose. */
const { value, problem, loading, load } = useLoaded(() => logApi.series(), 'The trials could not be read.');
const products = useProducts();
const router = useRouter();
const list = computed((): Series[] => value.value ?? []);
const SEVERITY = ['none', 'slight', 'plain', 'bad', 'spoiled'];
const TREND = {
  better: 'getting better',
  worse: 'getting worse',
  level: 'as before',
  'too-few': 'too few to tell',
} as const;
const codes = (s: Series) => s.attempts.map((a) => a.code).join(',');
</script>

<template>
  <div class="stack">
    <LearningTabs />
    <div>
      <h1>Trials</h1>
      <p class="quiet">
        Change one thing and keep the rest: press x on a batch or its diagnosis, and the copy remembers what was
        changed.
      </p>
    </div>
    <ProblemNote v-if="problem" :says="problem" again @again="load" />
    <p v-else-if="!loading && list.length === 0" class="visually-hidden" data-test="none">
      No batch was copied from another yet.
    </p>
    <EmptyPlace v-if="!problem && !loading && list.length === 0" place="trials" />
    <ol class="stack">
      <li v-for="s in list" :key="codes(s)" class="card stack series" :data-series="s.attempts[0]?.code">
        <div class="row spread">
          <h2>
            {{ products.bySlug.get(s.attempts[0]?.slug ?? '')?.name ?? s.attempts[0]?.slug }}:
            <span class="trend" :class="s.trend">{{ TREND[s.trend] }}</span>
          </h2>
          <Button
            label="Compare"
            severity="secondary"
            @click="router.push({ name: 'compare', query: { codes: codes(s) } })"
          />
        </div>
        <ol class="attempts">
          <li v-for="(a, i) in s.attempts" :key="a.code">
            <RouterLink class="figures code" :to="{ name: 'batch', params: { code: a.code } }">{{ a.code }}</RouterLink>
            <span class="worst" :class="`s${a.worst ?? 'none'}`"
              ><i v-for="n in 4" :key="n" :class="{ on: a.worst !== null && n <= a.worst }" />{{
                a.worst === null ? 'not looked at' : SEVERITY[a.worst]
              }}</span
            >
            <span class="small"
              >{{ i === 0 ? a.note : a.changes.join(' ') || 'nothing changed on purpose'
              }}<span class="quiet block">{{ dayAndTime(a.startedAt) }}</span></span
            >
          </li>
        </ol>
        <p class="quiet small">{{ s.says }}</p>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.series {
  gap: var(--space-2);
}
.attempts {
  display: flex;
  gap: var(--space-3);
  flex-wrap: wrap;
}
.attempts li {
  flex: 1 1 14rem;
  max-width: 22rem;
  border-left: 4px solid var(--part-a);
  padding: 2px var(--space-3);
  display: flex;
  flex-direction: column;
  gap: 2px;
}
.code {
  font-weight: 700;
}
.worst {
  display: inline-flex;
  align-items: center;
  gap: 3px;
  font-weight: 650;
}
.worst i {
  width: 12px;
  height: 12px;
  border: 2px solid var(--ink-700);
  display: inline-block;
}
.worst i.on {
  background: var(--outside);
  border-color: var(--outside);
}
.worst i:last-of-type {
  margin-right: 6px;
}
.block {
  display: block;
}
.better {
  color: var(--action);
}
.worse {
  color: var(--outside);
}
</style>
