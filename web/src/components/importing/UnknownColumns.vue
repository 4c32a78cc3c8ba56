<script setup lang="ts">
/** Columns of a file that the format does not know, by name: a mistyped one would be missed in silence. */
defineProps<{ columns: readonly string[] }>();
</script>

<template>
  <p v-if="columns.length" class="card" role="status" data-test="unknown-columns">
    {{ columns.length === 1 ? 'One column is' : `${columns.length} columns are` }} not of the format, and
    {{ columns.length === 1 ? 'is' : 'are' }} kept as written: <strong>{{ columns.join(', ') }}</strong>
  </p>
</template>
