<script setup lang="ts">
import { computed } from 'vue';
import NumberEntry from '../../components/NumberEntry.vue';
import type { PlanForm } from '../../stores/planForm';
import { usePlanContext } from './usePlan';

/** One number of the plan, with what stands in for it where it is left empty. */
type NumberField = { [K in keyof PlanForm]: PlanForm[K] extends number | null ? K : never }[keyof PlanForm];
const props = defineProps<{ field: NumberField; label: string; unit: string; otherwise?: string | null }>();
const { store, issues } = usePlanContext();
const error = computed(() => issues.value[props.field]);
const change = (value: number | null, rawText: string | undefined) => {
  store.set({ [props.field]: value }, rawText);
};
</script>

<template>
  <label class="cell" :data-plan="field">
    <span class="small">{{ label }}</span>
    <NumberEntry
      :id="`plan-${field}`"
      :value="store.form[field]"
      :raw-text="store.texts[field]"
      :unit="unit"
      :label="label"
      :error="error"
      @change="change"
    />
    <span v-if="error" :id="`plan-${field}-error`" class="small error" role="alert">{{ error }}</span>
    <span v-else-if="store.form[field] === null && otherwise" class="small quiet">{{ otherwise }}</span>
  </label>
</template>

<style scoped>
.cell {
  display: flex;
  flex-direction: column;
  gap: 3px;
  min-width: 0;
}
.error {
  color: var(--outside);
  font-weight: 600;
}
</style>
