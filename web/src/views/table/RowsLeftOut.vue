<script setup lang="ts">
import { computed } from 'vue';
import TableBox from '../../components/TableBox.vue';
import type { RowLeftOut } from './tableRows';

/** Every row that does not fit, and why. */
const props = defineProps<{ out: readonly RowLeftOut[] }>();
const MOST = 200;
const shown = computed(() => props.out.slice(0, MOST));
</script>

<template>
  <TableBox label="Rows that stay out"
    ><table class="card">
      <thead>
        <tr>
          <th scope="col">Row</th>
          <th scope="col">Stays out because</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in shown" :key="r.row" :data-row="r.row">
          <td class="figures">{{ r.row }}</td>
          <td>
            <ul>
              <li v-for="w in r.why" :key="`${w.column} ${w.message}`">
                <strong v-if="w.column">{{ w.column }}: </strong>{{ w.message }}
              </li>
            </ul>
          </td>
        </tr>
      </tbody>
    </table></TableBox
  >
  <p v-if="out.length > MOST" class="small quiet">{{ out.length - MOST }} more.</p>
</template>

<style scoped>
table {
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 6px 12px;
  border-bottom: 1px solid var(--chalk-100);
}
td:last-child {
  color: var(--outside);
}
</style>
