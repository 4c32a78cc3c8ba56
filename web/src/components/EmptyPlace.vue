<script setup lang="ts">
import { computed } from 'vue';
import { EMPTY_PLACES, type EmptyPlaceName, type EmptyPlaceWords } from './emptyPlaces';

/** A place that holds nothing yet: what belongs there, and the ways to bring it there. */
const props = defineProps<{ place: EmptyPlaceName }>();
const words = computed<EmptyPlaceWords>(() => EMPTY_PLACES[props.place]);
</script>

<template>
  <div class="card stack empty-place" :data-empty="place">
    <p>{{ words.what }}</p>
    <ul class="row">
      <li v-for="(w, at) in words.ways" :key="w.words">
        <RouterLink :to="w.to" :class="['p-button p-component', at === 0 ? '' : 'p-button-secondary']">{{
          w.words
        }}</RouterLink>
      </li>
    </ul>
  </div>
</template>
