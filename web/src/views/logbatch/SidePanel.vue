<script setup lang="ts">
import { doubtsOf, fieldLabel, sayMinutes, volumeParts, weightParts, workingTime } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed } from 'vue';
import JarGlass from '../../components/JarGlass.vue';
import SpokenWords from '../../components/SpokenWords.vue';
import { jarContents } from '../../components/jarContents';
import { midSentence } from '../../components/words';
import { useUnits } from '../../stores/units';
import { useDraftContext } from './draftContext';

/** What the record comes to so far: the next target, the time there is, and what stands outside the card. */
defineProps<{ saving: boolean }>();
const emit = defineEmits<{ save: [] }>();
const { product, batch, readings } = useDraftContext();
const units = useUnits();
const working = computed(() => (product.value && batch.value ? workingTime(product.value, batch.value) : null));
const outside = computed(() => [...readings.value.values()].filter((r) => r.state === 'below' || r.state === 'above'));
/** What stands outside, said when it changes. */
const spokenOutside = computed(() => {
  const count = outside.value.length;
  if (count === 0) return 'Nothing outside the card';
  return `${count} outside the card: ${outside.value.map((r) => fieldLabel(r.field)).join(', ')}`;
});
/** Figures that are hardly likely, asked about while they can still be put right. */
const doubts = computed(() =>
  product.value && batch.value
    ? doubtsOf(product.value, batch.value, units.say).filter((d) => !d.field.startsWith('checks'))
    : [],
);
const missing = computed(() => [...readings.value.values()].filter((r) => r.state === 'not-recorded'));
const target = computed(() => {
  const a = batch.value?.mix?.amountA;
  if (!product.value || a == null || a <= 0 || product.value.family === 'uv-acrylate') return null;
  const byVolume = batch.value?.mix?.unit === 'mL';
  const dose = product.value.ratio.catalyst;
  if (dose)
    return dose.typicalPct == null || byVolume
      ? null
      : { amount: (a * dose.typicalPct) / 100, unit: 'g', what: 'Catalyst, typical' };
  const parts = byVolume ? volumeParts(product.value) : weightParts(product.value);
  return parts && { amount: (a * parts.b) / parts.a, unit: byVolume ? 'mL' : 'g', what: 'B for this A' };
});
const layers = computed(() => (batch.value ? jarContents(product.value, batch.value) : []));
const cardPot = computed(() => {
  const p = product.value?.potLife;
  return p?.minutes == null
    ? null
    : `card: ${sayMinutes(p.minutes)}${p.atC == null ? '' : ` at ${units.say(p.atC, '°C')}`}${p.massG == null ? '' : `, ${units.say(p.massG, 'g')}`}`;
});
</script>

<template>
  <aside class="panel card stack" aria-label="So far">
    <div class="head">
      <span class="glass"><JarGlass :layers="layers" label="What is in the cup" /></span>
      <div v-if="target">
        <p class="small quiet">{{ target.what }}</p>
        <p class="big figures" data-test="target-b">{{ units.say(target.amount, target.unit) }}</p>
      </div>
      <p v-else class="small quiet">Weigh A, and the target for B stands here.</p>
    </div>
    <div v-if="working?.potLifeMin != null">
      <p class="small quiet">
        Pot life
        {{
          working.from === 'model' && working.assumed.length === 0
            ? 'at these temperatures and this mass'
            : working.from === 'model'
              ? `if ${working.assumed.join(', ')} ${working.assumed.length > 1 ? 'are' : 'is'} as on the card`
              : 'on the label'
        }}
      </p>
      <p class="big figures" data-test="pot-life">{{ sayMinutes(working.potLifeMin) }}</p>
      <p class="small quiet">{{ cardPot }}</p>
    </div>
    <SpokenWords :words="spokenOutside" />
    <div>
      <h3>{{ outside.length === 0 ? 'Nothing outside the card' : `${outside.length} outside the card` }}</h3>
      <ul class="outside small">
        <li v-for="r in outside" :key="r.field">{{ r.says }}</li>
      </ul>
    </div>
    <div v-if="doubts.length" data-test="doubts">
      <h3>Look at it again</h3>
      <ul class="small">
        <li v-for="d in doubts" :key="d.field">{{ fieldLabel(d.field) }}: {{ d.says }}</li>
      </ul>
    </div>
    <p class="small quiet">
      {{ missing.length }} not recorded<template v-if="missing.length"
        >:
        {{
          missing
            .slice(0, 4)
            .map((r) => midSentence(fieldLabel(r.field)))
            .join('; ')
        }}{{ missing.length > 4 ? ' …' : '' }}</template
      >
    </p>
    <Button label="Save" :loading="saving" @click="emit('save')" />
  </aside>
</template>

<style scoped>
.panel {
  position: sticky;
  top: var(--space-4);
  max-height: calc(100vh - 32px);
  overflow-y: auto;
}
.head {
  display: grid;
  grid-template-columns: 4.625rem minmax(0, 1fr);
  gap: var(--space-3);
  align-items: center;
}
.big {
  font-size: 1.9rem;
  font-weight: 750;
  line-height: 1.1;
}
.outside li {
  color: var(--outside);
  padding: 4px 0;
  border-top: 1px solid var(--card-edge);
}
@media (max-width: 68.75em) {
  .panel {
    position: static;
    max-height: none;
  }
}
</style>
