<script setup lang="ts">
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import ToggleSwitch from 'primevue/toggleswitch';
import { ref, useTemplateRef, watch } from 'vue';
import { BACKUP_ADDRESS, type Schedule } from '../../api/backup';
import CopyFailureNote from '../../components/CopyFailureNote.vue';
import NumberEntry from '../../components/NumberEntry.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { dayAndTime } from '../../components/words';
import { useBackup } from './useBackup';

/** A copy of everything out with one tap, and back in after a look. */
const { told, problem, load, checked, restoreProblem, busy, keptAside, saved, choose, restore, setSchedule } =
  useBackup();
const file = useTemplateRef<HTMLInputElement>('file');
const form = ref<Schedule | null>(null);
watch(told, (now) => {
  if (now) form.value = { ...now.schedule };
});
const reload = () => {
  window.location.assign('/');
};
</script>

<template>
  <div class="stack">
    <div>
      <h1>Backup</h1>
      <p class="quiet">
        One zip holds the whole studio: batches with their history, cards, shelf, pieces and photos. It is made while
        work goes on.
      </p>
    </div>
    <div class="columns">
      <section class="card stack" aria-labelledby="out">
        <h2 id="out">A copy now</h2>
        <p>Keep it on another machine or a stick. A disk that fails takes its own copies with it.</p>
        <a class="p-button p-component" :href="BACKUP_ADDRESS" download data-test="download"
          ><i class="pi pi-download" aria-hidden="true" /> Download a copy</a
        >
      </section>
      <section class="card stack" aria-labelledby="in">
        <h2 id="in">Put a copy back</h2>
        <p>
          It is looked through first. The present data are kept aside, not deleted; the copies this computer makes by
          itself stay as they are set.
        </p>
        <div class="row">
          <Button
            label="Choose a copy"
            icon="pi pi-upload"
            severity="secondary"
            :loading="busy === 'Looking it through'"
            @click="file?.click()"
          /><input
            ref="file"
            type="file"
            accept=".zip,application/zip"
            class="visually-hidden"
            tabindex="-1"
            aria-label="Backup file"
            @change="choose"
          />
        </div>
        <ProblemNote v-if="restoreProblem" :says="restoreProblem" />
        <div v-if="checked" class="found" data-test="found">
          <p>Made {{ dayAndTime(checked.madeAt) }}; last change {{ dayAndTime(checked.holds.lastChange) }}.</p>
          <p>
            <strong>{{ checked.holds.batches }}</strong> batches,
            <strong>{{ checked.holds.products }}</strong> products, <strong>{{ checked.holds.lots }}</strong> lots,
            <strong>{{ checked.holds.moulds }}</strong> moulds, <strong>{{ checked.holds.pieces }}</strong> pieces,
            <strong>{{ checked.photos }}</strong> photos.
            <template v-if="checked.misfitCount === 0">Sound.</template>
          </p>
          <div v-if="checked.misfitCount > 0" data-test="misfits">
            <p>
              <strong>{{ checked.misfitCount }}</strong> of its records are not as they should be. They stay as they are
              in the file; what does not fit is not shown.
            </p>
            <ul class="small">
              <li v-for="m in checked.misfits" :key="m.what + m.code">
                {{ m.what }} <span class="figures">{{ m.code }}</span>: {{ m.says }}
              </li>
            </ul>
          </div>
          <Button
            label="Put this in place of what is here"
            severity="danger"
            :loading="busy === 'Putting it in place'"
            @click="restore"
          />
        </div>
        <div v-if="keptAside" class="found" data-test="restored">
          <p>
            <strong>It is in place.</strong> What was here lies in <span class="figures small">{{ keptAside }}</span>.
          </p>
          <Button label="Go on with it" @click="reload" />
        </div>
      </section>
    </div>
    <ProblemNote v-if="problem" :says="problem" again @again="load" />
    <form v-if="form" class="card stack" aria-labelledby="auto" @submit.prevent="setSchedule(form!)">
      <div class="row spread">
        <h2 id="auto">Copies by themselves</h2>
        <label class="row"
          ><ToggleSwitch v-model="form.on" aria-label="Make copies by themselves" /> {{ form.on ? 'on' : 'off' }}</label
        >
      </div>
      <div class="fields">
        <label class="cell"
          ><span class="small">Into this folder of the studio's computer</span
          ><InputText id="backup-folder" v-model="form.folder"
        /></label>
        <label class="cell"
          ><span class="small">Every</span
          ><NumberEntry
            id="backup-every"
            label="Every"
            unit="h"
            :value="form.everyH"
            @change="
              (v) => {
                form!.everyH = v ?? 0;
              }
            "
        /></label>
        <label class="cell"
          ><span class="small">Keep the latest</span
          ><NumberEntry
            id="backup-keep"
            label="Keep"
            unit=""
            :value="form.keep"
            @change="
              (v) => {
                form!.keep = v ?? 0;
              }
            "
        /></label>
        <Button type="submit" label="Save" :loading="busy === 'Saving'" />
      </div>
      <CopyFailureNote v-if="told?.failure" :failure="told.failure" />
      <p v-else-if="saved" class="small" role="status">Saved.</p>
      <ul v-if="told?.copies.length" class="small copies">
        <li v-for="c in told.copies.slice(0, 8)" :key="c" class="figures">{{ c }}</li>
      </ul>
      <p v-else class="small quiet">No copy lies there yet.</p>
    </form>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.3fr);
  gap: var(--space-5);
  align-items: start;
}
.found {
  border-left: 6px solid var(--part-a);
  padding-left: var(--space-4);
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
  align-items: flex-start;
}
.fields {
  display: grid;
  grid-template-columns: minmax(14rem, 2fr) 9rem 9rem auto;
  gap: var(--space-3);
  align-items: end;
}
.cell {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.copies {
  columns: 2;
}
[data-test='download'] {
  align-self: flex-start;
}
@media (max-width: 56.25em) {
  .columns,
  .fields {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
