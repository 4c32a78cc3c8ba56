<script setup lang="ts">
import { QUANTITIES, type UnitChoice } from '@warm-jar/core';
import Checkbox from 'primevue/checkbox';
import SelectButton from 'primevue/selectbutton';
import { useLight } from '../../stores/light';
import { useUnits } from '../../stores/units';
import KeyModeChoice from '../../components/KeyModeChoice.vue';

/** What is chosen for this browser: units, keys, light. The units people read and type in, on this screen. What is stored never changes with them. */
const units = useUnits();
const KINDS: readonly { quantity: keyof UnitChoice; words: string; example: number; stored: string }[] = [
  { quantity: 'temperature', words: 'Temperature', example: 21, stored: '°C' },
  { quantity: 'pressure', words: 'Pressure', example: 345, stored: 'kPa' },
  { quantity: 'mass', words: 'Mass', example: 124.1, stored: 'g' },
  { quantity: 'volume', words: 'Volume (US fluid ounces)', example: 250, stored: 'mL' },
  { quantity: 'length', words: 'Length', example: 25, stored: 'mm' },
];
const { dim } = useLight();
</script>

<template>
  <div class="stack">
    <div>
      <h1>Settings</h1>
      <p class="quiet">They are kept in this browser, for every screen of it.</p>
    </div>
    <section class="card" aria-labelledby="units">
      <h2 id="units">Units</h2>
      <p class="quiet small">Records keep °C, kPa, g, mL and mm whatever is chosen here.</p>
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
    </section>
    <section class="card stack" aria-labelledby="keys">
      <h2 id="keys">Keys of one letter</h2>
      <KeyModeChoice />
    </section>
    <section class="card stack" aria-labelledby="light">
      <h2 id="light">Light</h2>
      <label class="row dim"
        ><Checkbox v-model="dim" binary data-test="dim-bench" /><span>A dark bench, for a dim room</span></label
      >
    </section>
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
  grid-template-columns: repeat(auto-fit, minmax(min(15rem, 100%), 1fr));
  gap: var(--space-2) var(--space-4);
  padding: var(--space-2) 0;
  align-items: center;
  min-height: 64px;
}
.dim {
  min-height: var(--target);
}
.line + .line {
  border-top: 1px solid var(--card-edge);
}
.example {
  font-size: 1.2rem;
}
</style>
