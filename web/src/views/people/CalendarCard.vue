<script setup lang="ts">
import Button from 'primevue/button';
import { accessApi } from '../../api/access';
import ProblemNote from '../../components/ProblemNote.vue';
import { tellsThere } from '../../components/tellsThere';
import { useLoaded } from '../../components/useLoaded';
import { useSession } from '../../stores/session';
import { useTried } from '../../components/people/useTried';

/** The address that a calendar subscribes to. It holds a secret, which can be renewed. */
const session = useSession();
const { value: path, problem, load } = useLoaded(() => accessApi.calendar(), 'The calendar could not be asked for.');
const emit = defineEmits<{ there: [] }>();
tellsThere({ value: path, problem }, () => {
  emit('there');
});
const { problem: refused, busy, tried } = useTried();
const { origin } = window.location;
const renew = () =>
  tried(async () => {
    path.value = await accessApi.renewCalendar();
  });
</script>

<template>
  <section class="card stack" aria-labelledby="calendar">
    <h2 id="calendar">Calendar</h2>
    <p class="small">Subscribe a calendar to this address. Whoever has it can read what is due, and nothing else.</p>
    <ProblemNote v-if="problem" :says="problem" again @again="load" />
    <p v-if="path" class="figures small address" data-test="calendar">{{ origin }}{{ path }}</p>
    <Button
      v-if="session.isLead"
      class="left"
      label="Another address; this one ends"
      severity="secondary"
      :loading="busy"
      @click="renew"
    />
    <ProblemNote v-if="refused" :says="refused" />
  </section>
</template>

<style scoped>
.address {
  overflow-wrap: anywhere;
  user-select: all;
}
.left {
  align-self: flex-start;
}
</style>
