<script setup lang="ts">
import { useRoute } from 'vue-router';
import { useLive } from '../stores/live';
import { useSession } from '../stores/session';
import TopNote from './TopNote.vue';

/** Told on every screen when the studio was replaced by a copy, or another is served here: what was typed stays until it is loaded again. */
const live = useLive();
const session = useSession();
const route = useRoute();
const reload = () => {
  window.location.reload();
};
</script>

<template>
  <TopNote
    v-if="session.otherStudio || (live.replaced && route.name !== 'backup')"
    act="Reload"
    data-test="replaced"
    @act="reload"
    ><template v-if="session.otherStudio"
      ><strong>Another studio is served at this address now.</strong> What you see is of the one before. What you typed
      stays with its own studio.</template
    ><template v-else
      ><strong>The studio was replaced by a copy that was put back.</strong> What you see is of the one before. What you
      typed is kept.</template
    ></TopNote
  >
</template>
