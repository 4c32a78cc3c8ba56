<script setup lang="ts">
import type { Evidence, SymptomKind } from '@warm-jar/core';
import { computed } from 'vue';
import { neighbourQuery } from './neighbourQuery';

/** From what neighbours say to those castings in the log. */
const props = defineProps<{ evidence: Evidence; product?: string; kind?: SymptomKind }>();
const query = computed(() => neighbourQuery(props.evidence, props.product, props.kind));
</script>

<template>
  <RouterLink v-if="query" class="screen" :to="{ name: 'log', query }" data-test="neighbours"> See them.</RouterLink>
</template>
