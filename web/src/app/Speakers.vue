<script setup lang="ts">
import ConfirmDialog from 'primevue/confirmdialog';
import Toast from 'primevue/toast';
import { onMounted } from 'vue';

/** What asks before a loss and what tells of something done, in one part that comes after the page. */
const emit = defineEmits<{ ready: [] }>();
onMounted(() => {
  emit('ready');
});
</script>

<template>
  <ConfirmDialog />
  <Toast position="bottom-right" />
</template>
