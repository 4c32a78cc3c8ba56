<script setup lang="ts">
import TopNote from './TopNote.vue';
import { TRY_AGAIN } from '../components/laterPart';
import { missed } from './missed';

/** Told where what was tapped could not be fetched: the page before stays as it is. */
</script>

<template>
  <TopNote v-if="missed" act="Try again" data-test="missed" @act="missed.again()"
    ><strong>{{ missed.what }} cannot be fetched now.</strong> {{ TRY_AGAIN }}</TopNote
  >
</template>
