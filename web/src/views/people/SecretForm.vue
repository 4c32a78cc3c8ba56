<script setup lang="ts">
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import { computed, ref } from 'vue';
import type { Person } from '@warm-jar/core';
import { accessApi } from '../../api/access';
import ProblemNote from '../../components/ProblemNote.vue';
import { useSession } from '../../stores/session';
import { useTried } from '../../components/people/useTried';

/** A PIN or passphrase set anew. One's own asks for the one before; every other device of theirs is signed out. */
const props = defineProps<{ person: Person; own: boolean }>();
const emit = defineEmits<{ done: [] }>();
const session = useSession();
const { problem, busy, tried } = useTried();
const [before, secret] = [ref(''), ref('')];
const asksBefore = computed(() => props.own && props.person.hasSecret && session.who?.mode === 'people');
async function set(): Promise<void> {
  const done = await tried(() =>
    accessApi.setSecret(props.person.code, secret.value, asksBefore.value ? before.value : undefined),
  );
  if (done) emit('done');
}
</script>

<template>
  <form class="stack" :aria-label="`PIN of ${person.code}`" @submit.prevent="set">
    <div class="row">
      <label v-if="asksBefore" class="labelled"
        ><span class="small">The one before</span
        ><InputText id="secret-before" v-model="before" type="password" autocomplete="current-password" required
      /></label>
      <label class="labelled"
        ><span class="small">New PIN (6 figures or more) or passphrase (8 characters or more)</span
        ><InputText id="secret-new" v-model="secret" type="password" autocomplete="new-password" required
      /></label>
      <Button type="submit" label="Set" :loading="busy" />
    </div>
    <p class="small quiet">Every other device of {{ person.code }} is signed out by it.</p>
    <ProblemNote v-if="problem" :says="problem" />
  </form>
</template>

<style scoped>
.row {
  align-items: end;
}
</style>
