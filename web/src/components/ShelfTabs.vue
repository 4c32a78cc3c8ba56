<script setup lang="ts">
import TabLinks from './TabLinks.vue';
import { useTabs } from './useTabs';

/** The shelf's compartments; each is a place of its own. */
const tabs = useTabs('shelf');
</script>

<template><TabLinks :tabs="tabs" label="Shelf" /></template>
