<script setup lang="ts">
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import { computed, ref } from 'vue';
import { useRoute } from 'vue-router';
import { accessApi } from '../../api/access';
import ProblemNote from '../../components/ProblemNote.vue';
import { useSession } from '../../stores/session';
import DoorCard from './DoorCard.vue';
import { useTried } from '../../components/people/useTried';

/** Who comes in, on a network: initials and a PIN or passphrase. */
const route = useRoute();
const session = useSession();
const { problem, busy, tried } = useTried();
const [person, secret] = [ref(session.person ?? ''), ref('')];
const secure = window.isSecureContext;
/** Only back into this studio. */
const next = computed(() => {
  const to = route.query['next'];
  return typeof to === 'string' && /^\/(?!\/)/.test(to) ? to : '/';
});
async function signIn(): Promise<void> {
  const done = await tried(() => accessApi.signIn(person.value.trim(), secret.value));
  if (done) window.location.assign(next.value);
  else secret.value = '';
}
</script>

<template>
  <DoorCard title="Warm Jar" @go="signIn">
    <p>Who is it?</p>
    <label class="labelled"
      ><span>Initials</span
      ><InputText
        id="person"
        v-model="person"
        autocomplete="username"
        autocapitalize="characters"
        spellcheck="false"
        autofocus
        required
    /></label>
    <label class="labelled"
      ><span>PIN or passphrase</span
      ><InputText id="secret" v-model="secret" type="password" autocomplete="current-password" required
    /></label>
    <ProblemNote v-if="problem" :says="problem" />
    <Button type="submit" label="Come in" :loading="busy" />
    <p class="small quiet">
      On another screen of yours, <strong>People and devices</strong> shows a code that signs this device in:
      <RouterLink :to="{ name: 'pair' }">type it here</RouterLink>. Forgotten the PIN? A lead sets another; the lead's
      own is set on the studio's computer.
    </p>
    <p v-if="!secure && session.who?.trust" class="small" data-test="insecure">
      This address is not a secure one. <a :href="session.who.trust.address">Let this device trust the studio</a>
      first.
    </p>
  </DoorCard>
</template>
