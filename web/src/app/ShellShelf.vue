<script setup lang="ts">
import { STAGE_WORDS } from '@warm-jar/core';
import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import JarGlass from '../components/JarGlass.vue';
import KeyCap from '../components/KeyCap.vue';
import { jarContents } from '../components/jarContents';
import { useDraft } from '../stores/draft';
import { dueShort, isLiquid, potLifeLeft, type WorkItem } from '../stores/urgency';
import { useWork } from '../stores/work';
import { onPlainKey } from '../keys/keys';

const work = useWork();
const draft = useDraft().forCode(null);
const route = useRoute();
const router = useRouter();
/** Jars that fit the height of a bench screen without scrolling past the new one. */
const MAX_SHOWN = 9;
const jars = computed(() => work.items.slice(0, MAX_SHOWN));
const hidden = computed(() => work.items.length - jars.value.length + work.more);
const isSet = (item: WorkItem) =>
  !isLiquid(item.stage) &&
  item.startMs !== null &&
  (item.working.gelMin === null || work.nowMs > item.startMs + item.working.gelMin * 60_000);
const late = (item: WorkItem) => item.dueMs !== null && item.dueMs < work.nowMs;
/** A jar leads to its next step: the bench while it is worked, the record once it is checked. */
const place = (item: WorkItem) => ({
  name: item.stage === 'check' || item.stage === 'done' ? 'batch' : 'bench',
  params: { code: item.code },
});
for (let i = 1; i <= MAX_SHOWN; i += 1)
  onPlainKey(String(i), () => {
    const item = jars.value[i - 1];
    if (item) void router.push(place(item));
  });
</script>

<template>
  <nav class="shelf" aria-label="Batches in work">
    <ul>
      <li v-for="item in jars" :key="item.code">
        <RouterLink
          :to="place(item)"
          class="jar-link"
          :class="{ here: route.params['code'] === item.code, late: late(item) }"
        >
          <span class="glass"
            ><JarGlass
              on-dark
              :layers="jarContents(item.product, item.batch)"
              :left="potLifeLeft(item, work.nowMs)"
              :set="isSet(item)"
              :label="`${item.product.name}, ${STAGE_WORDS[item.stage]}`"
          /></span>
          <span class="told"
            ><span class="figures code">{{ item.code }}</span
            ><span>{{ STAGE_WORDS[item.stage].toLowerCase() }}</span
            ><span class="due">{{ dueShort(item, work.nowMs) }}</span></span
          >
        </RouterLink>
      </li>
    </ul>
    <RouterLink v-if="hidden > 0" class="small more" :to="{ name: 'log', query: { stage: 'in-work' } }"
      >and {{ hidden }} more</RouterLink
    >
    <RouterLink :to="{ name: 'new-batch' }" class="jar-link new" :class="{ here: route.name === 'new-batch' }">
      <span class="glass"
        ><JarGlass
          on-dark
          :layers="draft ? [{ part: 'a', share: 1 }] : []"
          :left="draft ? 0.4 : null"
          :label="draft ? 'Draft of a new batch' : 'An empty jar'"
      /></span>
      <span class="told"
        ><span>{{ draft ? 'Draft' : 'New batch' }}</span
        ><span><KeyCap k="n" /></span
      ></span>
    </RouterLink>
  </nav>
</template>

<style scoped>
.shelf {
  background: var(--shelf);
  color: var(--shelf-text);
  position: sticky;
  top: 0;
  height: 100vh;
  overflow-y: auto;
  display: flex;
  flex-direction: column;
  scrollbar-width: thin;
}
.jar-link {
  display: grid;
  grid-template-columns: 42px 1fr;
  align-items: center;
  gap: 10px;
  padding: 8px 6px 8px 12px;
  min-height: 74px;
  color: inherit;
  text-decoration: none;
  line-height: 1.22;
  border-right: 5px solid transparent;
  border-bottom: 1px solid rgb(255 255 255 / 14%);
}
.here {
  background: var(--shelf-here);
  border-right-color: var(--part-a);
}
.told {
  display: flex;
  flex-direction: column;
  font-size: 0.875rem;
  min-width: 0;
}
.code {
  font-weight: 700;
  font-size: 1rem;
}
.due {
  color: #d9e6e1;
  white-space: nowrap;
}
.late .due {
  color: #ffd9a0;
  font-weight: 700;
}
.new {
  margin-top: auto;
  position: sticky;
  bottom: 0;
  background: var(--shelf);
  border-top: 1px solid rgb(255 255 255 / 14%);
}
.new.here {
  background: var(--shelf-here);
}
.more {
  padding: var(--space-2);
  text-align: center;
  color: inherit;
}
@media (max-width: 900px) {
  .jar-link {
    grid-template-columns: 1fr;
    justify-items: center;
    text-align: center;
    gap: 2px;
    padding: 8px 2px;
  }
  .glass {
    width: 38px;
  }
}
@media print {
  .shelf {
    display: none;
  }
}
</style>
