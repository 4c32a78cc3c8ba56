<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { InTurn } from '../components/InTurn';
import JarGlass from '../components/JarGlass.vue';
import KeyCap from '../components/KeyCap.vue';
import { useDraft } from '../stores/draft';
import { useWork } from '../stores/work';
import JarLink from './JarLink.vue';
import { shelfJars } from './jarPlaces';

/** One drawn jar for each batch in work, and one for the next. */
const work = useWork();
const draft = useDraft().forCode(null);
const route = useRoute();
const jars = computed(() => shelfJars(work.items));
const hidden = computed(() => work.items.length - jars.value.length + work.more);
</script>

<template>
  <ul>
    <li v-for="item in jars" :key="item.code">
      <InTurn><JarLink :item="item" /></InTurn>
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

<style scoped src="./jarLink.css"></style>
<style scoped>
li {
  min-height: 74px;
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
</style>
