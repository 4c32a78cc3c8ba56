import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import type { Who } from '@warm-jar/core';
import { accessApi } from '../api/access';
import { sayStudio, studioId } from '../api/studioId';
import { setStudioTime } from '../api/studioTime';
import { onOtherStudio, onSignedOut, sayWho } from '../api/http';

/** Who works at this screen: signed in on a network, chosen from the studio's people on its own computer. */
export const useSession = defineStore('session', () => {
  const who = shallowRef<Who | null>(null);
  /** Who was chosen here, or named last in a record that was written here. */
  const chosenIn = useLocalStorage<Record<string, string>>('warm-jar.by-studio', {});
  const chosen = computed(() => chosenIn.value[studio.value] ?? '');
  /** The studio that this page is of. */
  const studio = ref(studioId());
  /** Another studio is served at this address now: the page must be loaded anew. */
  const otherStudio = ref(false);
  let asked: Promise<void> | null = null;

  const mustSignIn = computed(() => who.value?.mode === 'people' && who.value.person === null);
  /** Initials of who works here; null where nobody said. */
  const person = computed(() => (who.value?.mode === 'people' ? who.value.person : chosen.value || null));
  const isLead = computed(() => who.value === null || who.value.mode !== 'people' || who.value.role === 'lead');
  const isBoard = computed(() => who.value?.mode === 'people' && who.value.role === 'board');

  /** Whether the page is of the studio that answers; where it is not, that one's people are none of its business. */
  function takes(told: Who): boolean {
    if (!sayStudio(told.studio)) {
      otherStudio.value = true;
      return false;
    }
    studio.value = told.studio;
    setStudioTime(told.clock);
    return true;
  }

  async function load(): Promise<void> {
    // Where the server cannot be reached the screen goes on with what it has; the next page asks again.
    const told = await accessApi.who().catch(() => null);
    if (told && takes(told)) who.value = told;
    if (who.value === null) asked = null;
  }
  sayWho(() => (who.value?.mode === 'people' ? null : chosen.value || null));
  onOtherStudio(() => {
    otherStudio.value = true;
  });
  onSignedOut(() => {
    if (who.value?.mode === 'people') who.value = { ...who.value, person: null, role: null, verified: false };
  });
  return {
    who,
    studio,
    otherStudio,
    person,
    mustSignIn,
    isLead,
    isBoard,
    load,
    /** Asks once who works here. */
    ready: (): Promise<void> => (asked ??= load()),
    choose: (code: string | null) => {
      chosenIn.value = { ...chosenIn.value, [studio.value]: code ?? '' };
    },
  };
});
