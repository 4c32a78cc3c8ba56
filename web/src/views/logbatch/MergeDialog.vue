<script setup lang="ts">
import { fieldLabel, sayField, type MergeConflict } from '@warm-jar/core';
import Button from 'primevue/button';
import Dialog from 'primevue/dialog';
import RadioButton from 'primevue/radiobutton';
import { computed } from 'vue';
import { dayAndTime } from '../../components/words';
import { useUnits } from '../../stores/units';
import type { Meeting } from './useMerging';

/** What the other person changed, in words and units; what both changed is asked about, and starts as theirs. */
const props = defineProps<{ meeting: Meeting }>();
const asMine = defineModel<readonly string[]>('asMine', { required: true });
const emit = defineEmits<{ together: []; drop: []; close: [] }>();
const units = useUnits();
const words = (path: string, value: unknown) => sayField(path, value, units.say);
const who = computed(() => props.meeting.by ?? 'Somebody');
const when = computed(() => (props.meeting.at ? `, ${dayAndTime(props.meeting.at)}` : ''));
/** What was stored stands first: it is the safe one. */
const sidesOf = (c: MergeConflict) => [
  { words: 'Theirs', mine: false, value: c.theirs },
  { words: 'Mine', mine: true, value: c.mine },
];
function choose(path: string, mine: boolean) {
  const others = asMine.value.filter((p) => p !== path);
  asMine.value = mine ? [...others, path] : others;
}
</script>

<template>
  <Dialog
    visible
    modal
    header="Changed on another screen"
    :style="{ width: 'min(42rem, 96vw)' }"
    data-test="merge"
    @update:visible="emit('close')"
  >
    <div class="stack">
      <p>{{ who }} saved {{ meeting.code }} while you were typing{{ when }}. Nothing of yours is lost.</p>
      <section v-if="meeting.merged.theirs.length" aria-labelledby="they">
        <h3 id="they">They changed</h3>
        <ul>
          <li v-for="c in meeting.merged.theirs" :key="c.path">
            {{ fieldLabel(c.path) }}: {{ words(c.path, c.before) }} → <strong>{{ words(c.path, c.now) }}</strong>
          </li>
        </ul>
      </section>
      <fieldset v-for="c in meeting.merged.conflicts" :key="c.path" :data-conflict="c.path">
        <legend>Both of you changed {{ fieldLabel(c.path) }}, from {{ words(c.path, c.before) }}</legend>
        <label v-for="side in sidesOf(c)" :key="side.words"
          ><RadioButton
            :model-value="asMine.includes(c.path)"
            :value="side.mine"
            :name="c.path"
            @update:model-value="choose(c.path, side.mine)"
          />
          {{ side.words }}: <strong>{{ words(c.path, side.value) }}</strong></label
        >
      </fieldset>
      <div class="row">
        <Button autofocus label="Put both together" @click="emit('together')" />
        <Button label="Go on typing" severity="secondary" @click="emit('close')" />
        <Button label="Discard mine" severity="danger" text @click="emit('drop')" />
      </div>
    </div>
  </Dialog>
</template>

<style scoped>
li {
  padding: 2px 0;
}
fieldset {
  border: 1px solid var(--card-edge);
  border-radius: var(--radius);
  padding: var(--space-2) var(--space-3);
}
label {
  display: flex;
  align-items: center;
  gap: var(--space-2);
  min-height: var(--target);
}
</style>
