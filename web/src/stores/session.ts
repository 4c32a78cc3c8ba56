import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import type { Who } from '@warm-jar/core';
import { accessApi } from '../api/access';
import { setStudioTime } from '../api/studioTime';
import { onSignedOut, sayWho } from '../api/http';

/** Who works at this screen: signed in on a network, chosen from the studio's people on its own computer. */
export const useSession = defineStore('session', () => {
  const who = shallowRef<Who | null>(null);
  /** Who was chosen here, or named last in a record that was written here. */
  const chosen = useLocalStorage('warm-jar.by', '');
  let asked: Promise<void> | null = null;

  const mustSignIn = computed(() => who.value?.mode === 'people' && who.value.person === null);
  /** Initials of who works here; null where nobody said. */
  const person = computed(() => (who.value?.mode === 'people' ? who.value.person : chosen.value || null));
  const isLead = computed(() => who.value === null || who.value.mode !== 'people' || who.value.role === 'lead');
  const isBoard = computed(() => who.value?.mode === 'people' && who.value.role === 'board');

  async function load(): Promise<void> {
    // Where the server cannot be reached the screen goes on with what it has; the next page asks again.
    const told = await accessApi.who().catch(() => null);
    if (told) setStudioTime(told.clock);
    who.value = told ?? who.value;
    if (who.value === null) asked = null;
  }
  sayWho(() => (who.value?.mode === 'people' ? null : chosen.value || null));
  onSignedOut(() => {
    if (who.value?.mode === 'people') who.value = { ...who.value, person: null, role: null, verified: false };
  });
  return {
    who,
    person,
    mustSignIn,
    isLead,
    isBoard,
    load,
    /** Asks once who works here. */
    ready: (): Promise<void> => (asked ??= load()),
    choose: (code: string | null) => {
      chosen.value = code ?? '';
    },
  };
});
