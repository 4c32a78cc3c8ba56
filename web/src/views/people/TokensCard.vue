<script setup lang="ts">
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import { ref } from 'vue';
import { accessApi } from '../../api/access';
import ProblemNote from '../../components/ProblemNote.vue';
import { tellsThere } from '../../components/tellsThere';
import { useLoaded } from '../../components/useLoaded';
import { dayAndTime } from '../../components/words';
import { useTried } from '../../components/people/useTried';

/** Tokens that devices on a wire speak by: each for one device, told once. */
const { value: tokens, problem, load } = useLoaded(() => accessApi.tokens(), 'The tokens could not be read.');
const emit = defineEmits<{ there: [] }>();
tellsThere({ value: tokens, problem }, () => {
  emit('there');
});
const { problem: refused, busy, tried } = useTried();
const [device, label] = [ref(''), ref('')];
const made = ref<string | null>(null);
const add = () =>
  tried(async () => {
    made.value = await accessApi.addToken(device.value.trim(), label.value.trim());
    [device.value, label.value] = ['', ''];
    await load();
  });
const end = (id: string) =>
  tried(async () => {
    await accessApi.endToken(id);
    await load();
  });
</script>

<template>
  <section class="card stack" aria-labelledby="tokens">
    <h2 id="tokens">Instruments</h2>
    <p class="small">
      A scale, thermometer or gauge that posts its readings does so by a token of its own, which opens nothing else.
    </p>
    <ProblemNote v-if="problem" :says="problem" again @again="load" />
    <ul v-if="tokens?.length" class="lines" data-test="tokens">
      <li v-for="t in tokens" :key="t.id">
        <span
          ><strong class="figures">{{ t.device }}</strong
          >, {{ t.label
          }}<span class="quiet small block">{{
            t.usedAt ? `spoke ${dayAndTime(t.usedAt)}` : 'never spoke'
          }}</span></span
        >
        <Button label="Revoke" severity="secondary" text @click="end(t.id)" />
      </li>
    </ul>
    <form class="row" @submit.prevent="add">
      <label class="labelled"
        ><span class="small">Its code</span
        ><InputText id="token-device" v-model="device" class="short" placeholder="G-07" spellcheck="false" required
      /></label>
      <label class="labelled"
        ><span class="small">What it is</span
        ><InputText id="token-label" v-model="label" placeholder="bench scale" required
      /></label>
      <Button type="submit" label="Make a token" severity="secondary" :loading="busy" />
    </form>
    <p v-if="made" role="status">
      Copy it now; it is not shown again:<br /><span class="figures small token" data-test="token">{{ made }}</span>
    </p>
    <ProblemNote v-if="refused" :says="refused" />
  </section>
</template>

<style scoped>
.lines li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: var(--space-3);
  padding: var(--space-2) 0;
  border-top: 1px solid var(--card-edge);
}
.block {
  display: block;
}
.row {
  align-items: end;
}
.short {
  width: 7rem;
}
.token {
  overflow-wrap: anywhere;
  user-select: all;
}
</style>
