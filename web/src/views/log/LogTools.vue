<script setup lang="ts">
import Button from 'primevue/button';
import Menu from 'primevue/menu';
import { computed, useTemplateRef } from 'vue';
import { exportAddress } from '../../api/learning';
import PrintButton from '../../components/PrintButton.vue';

/** The log as files, on paper, and from files. */
const props = defineProps<{ exported: Readonly<Record<string, string>>; count: number }>();
const menu = useTemplateRef<InstanceType<typeof Menu>>('menu');
const of = computed(() => (props.count > 0 ? ` of ${props.count}` : ''));
const items = computed(() => [
  { label: `CSV${of.value}`, url: exportAddress('csv', props.exported) },
  { label: `JSON${of.value}`, url: exportAddress('json', props.exported) },
  { label: `JSON with photos${of.value} (zip)`, url: exportAddress('zip', props.exported) },
]);
</script>

<template>
  <Button
    :label="`Export${of}`"
    icon="pi pi-download"
    severity="secondary"
    aria-haspopup="menu"
    @click="menu?.toggle($event)"
  /><Menu ref="menu" :model="items" popup aria-label="Export as">
    <template #item="{ item, props: link }"
      ><a v-bind="link.action" :href="item.url" download>{{ item.label }}</a></template
    ></Menu
  ><RouterLink class="p-button p-component p-button-secondary" :to="{ name: 'import-batches' }"
    ><i class="pi pi-upload" aria-hidden="true" /> Import</RouterLink
  ><PrintButton />
</template>
