<script setup lang="ts">
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import SelectButton from 'primevue/selectbutton';
import { reactive } from 'vue';
import { ROLES, type Role } from '@warm-jar/core';
import { accessApi } from '../../api/access';
import ProblemNote from '../ProblemNote.vue';
import { useTried } from './useTried';

/** Somebody new: initials, what they may do, and a PIN where they shall sign in. */
const emit = defineEmits<{ done: [] }>();
const { problem, busy, tried } = useTried();
const person = reactive({ code: '', name: '', role: 'technician' as Role, secret: '' });
async function add(): Promise<void> {
  const done = await tried(() =>
    accessApi.addPerson({
      code: person.code.trim(),
      name: person.name.trim() || null,
      role: person.role,
      secret: person.secret || null,
    }),
  );
  if (done) emit('done');
}
</script>

<template>
  <form class="stack" aria-label="Add somebody" @submit.prevent="add">
    <div class="fields">
      <label class="labelled"
        ><span class="small">Initials</span
        ><InputText id="new-code" v-model="person.code" autocapitalize="characters" spellcheck="false" required
      /></label>
      <label class="labelled"
        ><span class="small">Name, if wanted</span><InputText id="new-name" v-model="person.name"
      /></label>
      <label class="labelled"
        ><span class="small">PIN or passphrase, if they sign in</span
        ><InputText id="new-secret" v-model="person.secret" type="password" autocomplete="new-password"
      /></label>
    </div>
    <div class="row">
      <SelectButton v-model="person.role" :options="[...ROLES]" :allow-empty="false" aria-label="Role" />
      <Button type="submit" label="Add" :loading="busy" />
    </div>
    <ProblemNote v-if="problem" :says="problem" />
  </form>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 7rem minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-3);
  align-items: end;
}
@media (max-width: 56.25em) {
  .fields {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
