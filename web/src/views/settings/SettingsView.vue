<script setup lang="ts">
import Checkbox from 'primevue/checkbox';
import { API_PREFIX } from '../../api/base';
import { useLight } from '../../stores/light';
import UnitChoices from '../../components/UnitChoices.vue';
import KeyModeChoice from '../../components/KeyModeChoice.vue';

/** What is chosen for this browser: units, keys, light. The units people read and type in, on this screen. What is stored never changes with them. */
const { dim } = useLight();
</script>

<template>
  <div class="stack">
    <div>
      <h1>Settings</h1>
      <p class="quiet">They are kept in this browser, for every screen of it.</p>
    </div>
    <section class="card" aria-labelledby="units">
      <h2 id="units">Units and currency</h2>
      <p class="quiet small">Records keep °C, kPa, g, mL and mm whatever is chosen here.</p>
      <UnitChoices />
    </section>
    <section class="card stack" aria-labelledby="keys">
      <h2 id="keys">Keys of one letter</h2>
      <KeyModeChoice />
    </section>
    <section class="card row spread" aria-labelledby="opening">
      <div>
        <h2 id="opening">Opening the studio</h2>
        <p class="quiet small">The steps that bring in what a studio needs first.</p>
      </div>
      <RouterLink class="p-button p-component p-button-secondary" :to="{ name: 'opening' }">Go through them</RouterLink>
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
      <a :href="`${API_PREFIX}/reference`">an open API</a>.
    </p>
  </div>
</template>

<style scoped>
.dim {
  min-height: var(--target);
}
</style>
