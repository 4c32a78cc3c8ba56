<script setup lang="ts">
import { STAGE_WORDS } from '@warm-jar/core';
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import ItemJar from '../components/ItemJar.vue';
import { dueShort, isLate, type WorkItem } from '../stores/urgency';
import { useWork } from '../stores/work';
import { jarPlace } from './jarPlaces';

/** A batch in work on the shelf. Drawn anew only when what it says changes, not with every tick of the clock. */
const props = defineProps<{ item: WorkItem }>();
const work = useWork();
const route = useRoute();
const to = computed(() => jarPlace(props.item));
const isHere = computed(() => route.params['code'] === props.item.code);
const due = computed(() => dueShort(props.item, work.nowMs));
const late = computed(() => isLate(props.item, work.nowMs));
</script>

<template>
  <RouterLink :to="to" class="jar-link" :class="{ here: isHere, late }" :aria-current="isHere ? 'true' : undefined">
    <span class="glass"
      ><ItemJar :item="item" on-dark :label="`${item.product.name}, ${STAGE_WORDS[item.stage]}`"
    /></span>
    <span class="told"
      ><span class="figures code">{{ item.code }}</span
      ><span>{{ STAGE_WORDS[item.stage].toLowerCase() }}</span
      ><span class="due">{{ due }}</span></span
    >
  </RouterLink>
</template>

<style scoped src="./jarLink.css"></style>
<style scoped>
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
</style>
