<script setup lang="ts">
import { accessApi } from '../../api/access';
import PersonForm from '../../components/people/PersonForm.vue';
import { useLoaded } from '../../components/useLoaded';

/** Who works here: each with initials; more can be said of them later. */
const emit = defineEmits<{ changed: [] }>();
const { value: people, load } = useLoaded(() => accessApi.people(), 'The people could not be read.');
async function added(): Promise<void> {
  await load();
  emit('changed');
}
</script>

<template>
  <p v-if="people?.length" data-test="people">
    Here so far: <strong v-for="p in people" :key="p.code" class="who">{{ p.code }}</strong>
  </p>
  <PersonForm :key="people?.length ?? 0" @done="added" />
</template>

<style scoped>
.who + .who::before {
  content: ', ';
}
</style>
