<script setup lang="ts">
import Dialog from 'primevue/dialog';
import KeyCap from '../components/KeyCap.vue';
import TableBox from '../components/TableBox.vue';
import KeyModeChoice from '../components/KeyModeChoice.vue';
import { keyLines } from '../places/places';

defineProps<{ open: boolean }>();
const emit = defineEmits<{ 'update:open': [open: boolean] }>();
const LINES = keyLines();
</script>

<template>
  <Dialog
    :visible="open"
    modal
    header="Keys"
    dismissable-mask
    :style="{ maxWidth: '96vw' }"
    @update:visible="emit('update:open', $event)"
  >
    <KeyModeChoice />
    <TableBox label="Keys"
      ><table>
        <thead>
          <tr>
            <th scope="col">Key</th>
            <th scope="col">Does</th>
            <th scope="col">Where</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="k in LINES" :key="`${k.key} ${k.where}`">
            <td><KeyCap :k="k.key" always /></td>
            <td>{{ k.does }}</td>
            <td class="quiet">{{ k.where }}</td>
          </tr>
        </tbody>
      </table></TableBox
    >
  </Dialog>
</template>

<style scoped>
table {
  border-collapse: collapse;
}
th {
  text-align: left;
}
th,
td {
  padding: 6px 18px 6px 0;
}
</style>
