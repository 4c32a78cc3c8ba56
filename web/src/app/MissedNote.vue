<script setup lang="ts">
import TopNote from './TopNote.vue';
import { missed } from './missed';

/** Told where what was tapped could not be fetched: the page before stays as it is. */
</script>

<template>
  <TopNote v-if="missed" act="Try again" data-test="missed" @act="missed.again()"
    ><strong>{{ missed.what }} cannot be fetched now.</strong> Try again; where that does not help, load the page again
    once the server answers.</TopNote
  >
</template>
