<script setup lang="ts">
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import { ref } from 'vue';
import { accessApi } from '../../api/access';
import ProblemNote from '../../components/ProblemNote.vue';
import { tellsThere } from '../../components/tellsThere';
import { useLoaded } from '../../components/useLoaded';
import { dayAndTime } from '../../components/words';
import { useSession } from '../../stores/session';
import PairingCode from './PairingCode.vue';
import { useTried } from '../../components/people/useTried';

/** Devices that are signed in, to be signed out from here; and another one signed in by a code. */
const session = useSession();
const { value: devices, problem, load } = useLoaded(() => accessApi.devices(), 'The devices could not be read.');
const emit = defineEmits<{ there: [] }>();
tellsThere({ value: devices, problem }, () => {
  emit('there');
});
const { problem: refused, busy, tried } = useTried();
const [label, person] = [ref(''), ref('')];
const shown = ref<{ code: string; until: string; address: string | null } | null>(null);
const pair = () =>
  tried(async () => {
    shown.value = await accessApi.pair(label.value, person.value.trim() || undefined);
  });
const signOut = (id: string) =>
  tried(async () => {
    await accessApi.signOutDevice(id);
    await load();
  });
</script>

<template>
  <section class="card stack" aria-labelledby="devices">
    <h2 id="devices">{{ session.isLead ? 'Signed-in devices' : 'Your devices' }}</h2>
    <ProblemNote v-if="problem" :says="problem" again @again="load" />
    <ul class="lines" data-test="devices">
      <li v-for="d in devices ?? []" :key="d.id">
        <span
          ><strong>{{ d.person }}</strong
          >, {{ d.label }}<template v-if="d.own"> (this one)</template
          ><span class="quiet small block">seen {{ dayAndTime(d.seenAt) }}, from {{ d.address }}</span></span
        >
        <Button v-if="!d.own" label="Sign out" severity="secondary" text @click="signOut(d.id)" />
      </li>
    </ul>
    <h3>Sign in a tablet or phone</h3>
    <form v-if="!shown" class="row" @submit.prevent="pair">
      <label class="labelled"
        ><span class="small">What it is called</span
        ><InputText id="pair-label" v-model="label" placeholder="bench tablet" required
      /></label>
      <label v-if="session.isLead" class="labelled"
        ><span class="small">For, if not for you</span
        ><InputText id="pair-person" v-model="person" class="short" spellcheck="false"
      /></label>
      <Button type="submit" label="Show a code" :loading="busy" />
    </form>
    <PairingCode v-else :code="shown.code" :until="shown.until" :address="shown.address" @over="shown = null" />
    <ProblemNote v-if="refused" :says="refused" />
  </section>
</template>

<style scoped>
.lines li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: var(--space-3);
  padding: var(--space-2) 0;
  border-top: 1px solid var(--card-edge);
}
.block {
  display: block;
}
.row {
  align-items: end;
}
.short {
  width: 7rem;
}
</style>
