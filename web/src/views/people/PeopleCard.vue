<script setup lang="ts">
import Button from 'primevue/button';
import { ref } from 'vue';
import type { Person } from '@warm-jar/core';
import { accessApi } from '../../api/access';
import ProblemNote from '../../components/ProblemNote.vue';
import { tellsThere } from '../../components/tellsThere';
import { useLoaded } from '../../components/useLoaded';
import { useSession } from '../../stores/session';
import PersonForm from '../../components/people/PersonForm.vue';
import SecretForm from './SecretForm.vue';
import { useTried } from '../../components/people/useTried';

/** The people of the studio: who is who, who may do what, and who works at this screen. */
const session = useSession();
const { value: people, problem, load } = useLoaded(() => accessApi.people(), 'The people could not be read.');
const emit = defineEmits<{ there: [] }>();
tellsThere({ value: people, problem }, () => {
  emit('there');
});
const { problem: refused, tried } = useTried();
const adding = ref(false);
/** Whose PIN is being set. */
const secretOf = ref<string | null>(null);

const isMe = (p: Person) => session.person === p.code;
const maySetSecret = (p: Person) => session.isLead || isMe(p);
function stateOf({ active, hasSecret, role }: Person): string {
  if (!active) return 'left';
  return hasSecret ? role : `${role}, no PIN`;
}
const change = (p: Person, to: Partial<Person>) =>
  tried(async () => {
    await accessApi.changePerson({ ...p, ...to });
    await load();
  });
async function done(): Promise<void> {
  [adding.value, secretOf.value] = [false, null];
  await Promise.all([load(), session.load()]);
}
</script>

<template>
  <section class="card stack" aria-labelledby="people">
    <div class="row spread">
      <h2 id="people">People</h2>
      <Button
        v-if="session.isLead"
        label="Add somebody"
        icon="pi pi-plus"
        severity="secondary"
        @click="adding = !adding"
      />
    </div>
    <PersonForm v-if="adding" @done="done" />
    <ProblemNote v-if="problem" :says="problem" again @again="load" />
    <ProblemNote v-if="refused" :says="refused" />
    <p v-if="people?.length === 0" class="quiet">
      Nobody is set up yet. With people, every entry says who made it; before this studio goes on a network, at least
      one lead needs a PIN.
    </p>
    <ul v-else class="lines" data-test="people">
      <li v-for="p in people ?? []" :key="p.code" :data-person="p.code">
        <strong class="figures code">{{ p.code }}</strong>
        <span class="grow"
          >{{ p.name ?? '' }}<span class="quiet small block">{{ stateOf(p) }}</span></span
        >
        <span class="row acts">
          <span v-if="isMe(p)" class="here">here now</span>
          <Button
            v-else-if="session.who?.mode !== 'people' && p.active"
            label="That is me"
            severity="secondary"
            @click="session.choose(p.code)"
          />
          <Button
            v-if="maySetSecret(p) && p.active"
            :label="p.hasSecret ? 'Another PIN' : 'Set a PIN'"
            severity="secondary"
            text
            @click="secretOf = secretOf === p.code ? null : p.code"
          />
          <template v-if="session.isLead && !isMe(p)">
            <Button
              v-if="p.active && p.role !== 'board'"
              :label="p.role === 'lead' ? 'Make technician' : 'Make lead'"
              severity="secondary"
              text
              @click="change(p, { role: p.role === 'lead' ? 'technician' : 'lead' })"
            />
            <Button
              :label="p.active ? 'Has left' : 'Is back'"
              severity="secondary"
              text
              @click="change(p, { active: !p.active })"
            />
          </template>
        </span>
        <SecretForm v-if="secretOf === p.code" class="whole" :person="p" :own="isMe(p)" @done="done" />
      </li>
    </ul>
    <Button
      v-if="session.person && session.who?.mode !== 'people'"
      class="nobody"
      label="Nobody in particular"
      severity="secondary"
      text
      @click="session.choose(null)"
    />
    <p class="small quiet">
      A lead also sees to cards, gear, people and backup. A board only shows. Everybody else is a technician.
    </p>
  </section>
</template>

<style scoped>
.lines li {
  display: grid;
  grid-template-columns: 3rem minmax(6rem, 1fr) auto;
  gap: var(--space-2) var(--space-3);
  align-items: center;
  padding: var(--space-2) 0;
  border-top: 1px solid var(--card-edge);
}
.code {
  font-size: 1.15rem;
  overflow-wrap: anywhere;
}
.block {
  display: block;
}
.acts {
  justify-content: flex-end;
  gap: 0;
}
.here {
  font-weight: 700;
  padding-right: var(--space-3);
}
.whole {
  grid-column: 1 / -1;
}
.nobody {
  align-self: flex-start;
}
</style>
