<script setup lang="ts">
import TopNote from './TopNote.vue';
import { missed } from './missed';

/** Told where what was tapped did not come: the page before stays as it is. */
</script>

<template>
  <TopNote v-if="missed" :act="missed.act" data-test="missed" @act="missed.again()"
    ><strong>{{ missed.says }}</strong> {{ missed.todo }}</TopNote
  >
</template>
