<script setup lang="ts">
import TabLinks from '../../components/TabLinks.vue';

/** What all batches together tell: three places. */
const TABS = [
  { to: { name: 'patterns' }, title: 'Patterns' },
  { to: { name: 'trials' }, title: 'Trials' },
  { to: { name: 'figures' }, title: 'Own figures' },
];
</script>

<template><TabLinks :tabs="TABS" label="All batches" /></template>
