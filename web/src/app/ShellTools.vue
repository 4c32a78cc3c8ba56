<script setup lang="ts">
import KeyCap from '../components/KeyCap.vue';
import { useSession } from '../stores/session';

/** What is reached from everywhere beside the places: finding, settings, backup, people, help. */
const emit = defineEmits<{ keys: []; find: [] }>();
const session = useSession();
</script>

<template>
  <button type="button" @click="emit('find')">Find <KeyCap k="/" /></button>
  <RouterLink :to="{ name: 'settings' }" active-class="here">Settings</RouterLink>
  <RouterLink v-if="session.isLead" :to="{ name: 'backup' }" active-class="here">Backup</RouterLink>
  <RouterLink :to="{ name: 'people' }" active-class="here" data-test="who"
    ><i class="pi pi-user" aria-hidden="true" /><span
      >{{ session.person ?? 'People' }}<span class="visually-hidden">, people and devices</span></span
    >
    <KeyCap k="o"
  /></RouterLink>
  <button type="button" @click="emit('keys')">Help <KeyCap k="?" /></button>
</template>
