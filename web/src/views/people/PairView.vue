<script setup lang="ts">
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import { onMounted, ref } from 'vue';
import { useRoute } from 'vue-router';
import { accessApi } from '../../api/access';
import ProblemNote from '../../components/ProblemNote.vue';
import DoorCard from './DoorCard.vue';
import { useTried } from '../../components/people/useTried';

/** This device signed in by a code from another screen: read by its camera, or typed. */
const route = useRoute();
const { problem, busy, tried } = useTried();
const code = ref('');
async function use(): Promise<void> {
  if (await tried(() => accessApi.usePairing(code.value))) window.location.assign('/');
}
// Behind the #, so that no server and no log ever sees it; a code is used only once somebody says so.
onMounted(() => {
  code.value = decodeURIComponent(route.hash.slice(1));
});
</script>

<template>
  <DoorCard title="Sign this device in" @go="use">
    <p>The code stands on the other screen, under People and devices. It is good once, for five minutes.</p>
    <label class="labelled"
      ><span>Code</span
      ><InputText
        id="pairing"
        v-model="code"
        class="figures"
        autocomplete="one-time-code"
        autocapitalize="characters"
        spellcheck="false"
        required
    /></label>
    <ProblemNote v-if="problem" :says="problem" />
    <Button type="submit" label="Sign this device in" :loading="busy" />
  </DoorCard>
</template>

<style scoped>
#pairing {
  font-size: 1.4rem;
  letter-spacing: 0.15em;
  width: 100%;
}
</style>
