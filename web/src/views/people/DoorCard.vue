<script setup lang="ts">
/** The way in, alone on its page. */
defineProps<{ title: string }>();
const emit = defineEmits<{ go: [] }>();
</script>

<template>
  <main class="door">
    <form class="card stack" aria-labelledby="door" @submit.prevent="emit('go')">
      <h1 id="door">{{ title }}</h1>
      <slot />
    </form>
  </main>
</template>

<style scoped>
.door {
  min-height: 100vh;
  max-width: 100vw;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  place-items: center;
  padding: var(--space-4);
}
form {
  width: min(26rem, 100%);
}
</style>
