<script setup lang="ts">
import TabLinks from '../../components/TabLinks.vue';
import { useTabs } from '../../components/useTabs';

/** What all batches together tell: places side by side. */
const tabs = useTabs('learning');
</script>

<template><TabLinks :tabs="tabs" label="All batches" /></template>
