<script setup lang="ts">
import { castingOf } from '@warm-jar/core';
import { toRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import ProblemNote from '../../components/ProblemNote.vue';
import { stepOf } from '../../stores/stepOf';
import { useStoredBatch } from '../../stores/storedBatch';

/** Where the code on a label leads: to the step at which its batch is now. */
const props = defineProps<{ code: string }>();
const router = useRouter();
const { batch, product, problem, load } = useStoredBatch(toRef(props, 'code'));
const casting = useRoute().query['casting'];
watch([batch, product], ([b, p]) => {
  if (!b || !p) return;
  // A casting's own label leads to that casting; a mix's to the step it is at.
  if (typeof casting === 'string' && castingOf(b, casting))
    void router.replace({ name: 'batch', params: { code: props.code }, query: { casting } });
  else void router.replace({ name: stepOf(p, b), params: { code: props.code } });
});
</script>

<template>
  <ProblemNote v-if="problem" :says="problem" again @again="load" />
  <p v-else class="quiet">{{ code }} is looked up.</p>
</template>
