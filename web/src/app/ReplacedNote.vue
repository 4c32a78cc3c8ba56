<script setup lang="ts">
import Button from 'primevue/button';
import { useRoute } from 'vue-router';
import { useLive } from '../stores/live';
import { useSession } from '../stores/session';

/** Told on every screen when the studio was replaced by a copy, or another is served here: what was typed stays until it is loaded again. */
const live = useLive();
const session = useSession();
const route = useRoute();
const reload = () => {
  window.location.reload();
};
</script>

<template>
  <div
    v-if="session.otherStudio || (live.replaced && route.name !== 'backup')"
    class="replaced"
    role="alert"
    data-test="replaced"
  >
    <p>
      <template v-if="session.otherStudio"
        ><strong>Another studio is served at this address now.</strong> What you see is of the one before. What you
        typed stays with its own studio.</template
      ><template v-else
        ><strong>The studio was replaced by a copy that was put back.</strong> What you see is of the one before. What
        you typed is kept.</template
      >
    </p>
    <Button label="Reload" @click="reload" />
  </div>
</template>

<style scoped>
.replaced {
  position: sticky;
  top: 0;
  z-index: 5;
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: var(--space-4);
  padding: var(--space-3) var(--space-5);
  background: var(--outside-ground);
  color: var(--outside);
}
</style>
