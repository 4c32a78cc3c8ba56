<script setup lang="ts">
import type { CopyFailure } from '../api/backup';
import ProblemNote from './ProblemNote.vue';
import { dayAndTime } from './words';

/** The copy that should have been made by itself and was not: since when, why, and what is done about it. */
defineProps<{ failure: CopyFailure }>();
</script>

<template>
  <ProblemNote
    data-test="copy-failure"
    :says="`No copy could be made since ${dayAndTime(failure.since)}. ${failure.says} It is tried again every five minutes; last at ${dayAndTime(failure.at)}.`"
  />
</template>
