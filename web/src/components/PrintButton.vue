<script setup lang="ts">
import Button from 'primevue/button';

/** Prints the page as it is: what only a screen can do is left out by the paper's own style. */
const print = () => {
  window.print();
};
</script>

<template><Button icon="pi pi-print" label="Print" severity="secondary" @click="print" /></template>
