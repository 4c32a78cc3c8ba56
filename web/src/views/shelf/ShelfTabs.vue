<script setup lang="ts">
import TabLinks from '../../components/TabLinks.vue';
import { KINDS } from './kinds';

/** The shelf's compartments; each is a place of its own. */
const TABS = [
  { to: '/products', title: 'Products' },
  ...Object.values(KINDS).map(({ place, title }) => ({ to: `/${place}`, title })),
];
</script>

<template><TabLinks :tabs="TABS" label="Shelf" /></template>
