<script setup lang="ts">
import { STAGE_WORDS } from '@warm-jar/core';
import { computed, onMounted } from 'vue';
import ItemJar from '../components/ItemJar.vue';
import { dueClock } from '../stores/urgency';
import { useWork } from '../stores/work';
import { jarPlace } from './jarPlaces';
import { opened } from './opened';
import { useAway } from './useAway';

/** On a phone: the jar that cannot wait, and the drawer with the others. */
const emit = defineEmits<{ jars: [] }>();
const work = useWork();
const first = computed(() => work.items[0]);
const to = computed(() => (first.value ? jarPlace(first.value) : { name: 'today' }));
const due = computed(() => (first.value ? dueClock(first.value, work.nowMs) : ''));
const count = computed(() => work.items.length + work.more);
const { says, away } = useAway();
const jars = computed(() => `${count.value} ${count.value === 1 ? 'jar' : 'jars'}`);
onMounted(opened);
</script>

<template>
  <header class="phone-top">
    <RouterLink v-if="first" class="first" :to="to">
      <span class="glass"><ItemJar :item="first" on-dark :label="first.product.name" /></span
      ><span class="told"
        ><strong class="figures">{{ first.code }}</strong
        ><span>{{ STAGE_WORDS[first.stage].toLowerCase() }}, {{ due }}</span></span
      >
    </RouterLink>
    <RouterLink v-else class="first" :to="{ name: 'today' }"><strong>Warm Jar</strong></RouterLink>
    <button type="button" class="jars" :class="{ away }" aria-haspopup="dialog" @click="emit('jars')">
      {{ says || jars }}<span v-if="says" class="visually-hidden">, {{ jars }}</span>
    </button>
  </header>
</template>

<style scoped>
.phone-top {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: var(--space-1) var(--space-3);
  padding: var(--space-2) var(--space-4);
  background: var(--shelf);
  color: var(--shelf-text);
}
.first {
  display: flex;
  align-items: center;
  gap: var(--space-3);
  min-height: var(--target);
  min-width: 0;
  color: inherit;
  text-decoration: none;
  line-height: 1.25;
}
.glass {
  width: 30px;
  flex: none;
}
.told {
  display: flex;
  flex-direction: column;
}
.jars {
  min-height: var(--target);
  padding: 0 var(--space-3);
  border: 1px solid #eef4f2;
  border-radius: var(--radius);
  background: none;
  color: inherit;
  font: inherit;
  font-weight: 700;
  cursor: pointer;
}
.jars.away {
  background: var(--amber-400);
  border-color: var(--amber-400);
  color: var(--on-amber);
}
@media print {
  .phone-top {
    display: none;
  }
}
</style>
