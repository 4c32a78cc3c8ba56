<script setup lang="ts">
import { fieldLabel, type Ask } from '@warm-jar/core';

/** The unrecorded facts that would tell most, most telling first. */
defineProps<{ ask: readonly Ask[]; code: string }>();
/** More questions than this are not answered. */
const MOST = 4;
</script>

<template>
  <div class="ask">
    <h2>Ask next</h2>
    <p v-if="ask.length === 0" class="quiet small">Nothing left unrecorded would change this much.</p>
    <ul class="small"><li v-for="a in ask.slice(0, MOST)" :key="a.field"><RouterLink :to="{ name: 'edit-batch', params: { code }, query: { at: a.field } }"><strong>{{ fieldLabel(a.field) }}</strong></RouterLink><br />{{ a.why }}</li></ul>
  </div>
</template>

<style scoped>li { padding: 6px 0; line-height: 1.3; } li + li { border-top: 1px solid var(--card-edge); }</style>
