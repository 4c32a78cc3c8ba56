<script setup lang="ts">
import { QUANTITIES, type UnitChoice } from '@warm-jar/core';
import InputText from 'primevue/inputtext';
import SelectButton from 'primevue/selectbutton';
import { useUnits } from '../stores/units';

/** The units that people read and type in on this screen, and the sign of their money. */
const units = useUnits();
const KINDS: readonly { quantity: keyof UnitChoice; words: string; example: number; stored: string }[] = [
  { quantity: 'temperature', words: 'Temperature', example: 21, stored: '°C' },
  { quantity: 'pressure', words: 'Pressure', example: 345, stored: 'kPa' },
  { quantity: 'mass', words: 'Mass', example: 124.1, stored: 'g' },
  { quantity: 'volume', words: 'Volume (US fluid ounces)', example: 250, stored: 'mL' },
  { quantity: 'length', words: 'Length', example: 25, stored: 'mm' },
];
const PRICE_EXAMPLE = 12.5;
</script>

<template>
  <div>
    <div v-for="k in KINDS" :key="k.quantity" class="line" :data-quantity="k.quantity">
      <h3>{{ k.words }}</h3>
      <SelectButton
        :model-value="units.choice[k.quantity]"
        :options="Object.keys(QUANTITIES[k.quantity].units)"
        :allow-empty="false"
        :aria-label="k.words"
        @update:model-value="units.choose(k.quantity, $event)"
      />
      <span class="figures example">{{ units.say(k.example, k.stored) }}</span>
    </div>
    <div class="line" data-quantity="currency">
      <h3 id="currency-words">Currency</h3>
      <InputText
        id="currency"
        :model-value="units.currency"
        maxlength="4"
        placeholder="such as €, $ or kr"
        aria-labelledby="currency-words"
        @update:model-value="units.chooseCurrency(String($event ?? ''))"
      />
      <span class="figures example">{{ units.price(PRICE_EXAMPLE) }}</span>
    </div>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(15rem, 100%), 1fr));
  gap: var(--space-2) var(--space-4);
  padding: var(--space-2) 0;
  align-items: center;
  min-height: 64px;
}
.line + .line {
  border-top: 1px solid var(--card-edge);
}
.example {
  font-size: 1.2rem;
}
</style>
