<script setup lang="ts">
import { QUANTITIES, type UnitChoice } from '@warm-jar/core';
import SelectButton from 'primevue/selectbutton';
import { useUnits } from '../../stores/units';

/** The units people read and type in, on this screen. What is stored never changes with them. */
const units = useUnits();
const KINDS: readonly { quantity: keyof UnitChoice; words: string; example: number; stored: string }[] = [
  { quantity: 'temperature', words: 'Temperature', example: 21, stored: '°C' },
  { quantity: 'pressure', words: 'Pressure', example: 345, stored: 'kPa' },
  { quantity: 'mass', words: 'Mass', example: 124.1, stored: 'g' },
  { quantity: 'volume', words: 'Volume (US fluid ounces)', example: 250, stored: 'mL' },
  { quantity: 'length', words: 'Length', example: 25, stored: 'mm' },
];
</script>

<template>
  <div class="stack">
    <div>
      <h1>Units</h1>
      <p class="quiet">
        Used on every screen of this browser. Records keep °C, kPa, g, mL and mm whatever is chosen here.
      </p>
    </div>
    <div class="card">
      <div v-for="k in KINDS" :key="k.quantity" class="line" :data-quantity="k.quantity">
        <h2>{{ k.words }}</h2>
        <SelectButton
          :model-value="units.choice[k.quantity]"
          :options="Object.keys(QUANTITIES[k.quantity].units)"
          :allow-empty="false"
          :aria-label="k.words"
          @update:model-value="units.choose(k.quantity, $event)"
        />
        <span class="figures example">{{ units.say(k.example, k.stored) }}</span>
      </div>
    </div>
    <p class="small quiet">
      Warm Jar is free software under the MIT licence, made with
      <a href="/third-party-notices.txt">the work of others</a>. Its data can be had by
      <a href="/api/v1/reference">an open API</a>.
    </p>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 15rem 18rem 1fr;
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
