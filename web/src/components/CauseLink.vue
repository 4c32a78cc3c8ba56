<script setup lang="ts">
import { causeTitle, isGuidedCause, type CauseId } from '@warm-jar/core';
import { computed } from 'vue';
import { midSentence } from './words';

/** The name of a cause, leading to its page of the guide; plain where it has none. */
const props = defineProps<{ id: CauseId; within?: boolean }>();
const title = computed(() => (props.within ? midSentence(causeTitle(props.id)) : causeTitle(props.id)));
</script>

<template>
  <RouterLink v-if="isGuidedCause(id)" :to="{ name: 'guide', params: { part: 'causes', id } }">{{
    title
  }}</RouterLink><template v-else>{{ title }}</template>
</template>
