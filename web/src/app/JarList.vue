<script setup lang="ts">
import { STAGE_WORDS } from '@warm-jar/core';
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import JarGlass from '../components/JarGlass.vue';
import KeyCap from '../components/KeyCap.vue';
import { jarContents } from '../components/jarContents';
import { useDraft } from '../stores/draft';
import { dueShort, hasSet, potLifeLeft, type WorkItem } from '../stores/urgency';
import { useWork } from '../stores/work';
import { jarPlace, shelfJars } from './jarPlaces';

/** One drawn jar for each batch in work, and one for the next. */
const work = useWork();
const draft = useDraft().forCode(null);
const route = useRoute();
const jars = computed(() => shelfJars(work.items));
const hidden = computed(() => work.items.length - jars.value.length + work.more);
const late = (item: WorkItem) => item.dueMs !== null && item.dueMs < work.nowMs;
</script>

<template>
  <ul>
    <li v-for="item in jars" :key="item.code">
      <RouterLink
        :to="jarPlace(item)"
        class="jar-link"
        :class="{ here: route.params['code'] === item.code, late: late(item) }"
        :aria-current="route.params['code'] === item.code ? 'true' : undefined"
      >
        <span class="glass"
          ><JarGlass
            on-dark
            :layers="jarContents(item.product, item.batch)"
            :left="potLifeLeft(item, work.nowMs)"
            :set="hasSet(item, work.nowMs)"
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
</template>

<style scoped>
.jar-link {
  display: grid;
  grid-template-columns: 2.625rem minmax(0, 1fr);
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
@media (min-width: 50em) and (max-width: 56.25em) {
  .jar-link {
    grid-template-columns: minmax(0, 1fr);
    justify-items: center;
    text-align: center;
    gap: 2px;
    padding: 8px 2px;
  }
  .glass {
    width: 38px;
  }
}
@media (forced-colors: active) {
  .here {
    border-right-color: Highlight;
  }
}
</style>
