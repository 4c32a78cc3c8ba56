<script setup lang="ts">
import type { CheckPhoto } from '@warm-jar/core';
import InputText from 'primevue/inputtext';
import SelectButton from 'primevue/selectbutton';
import { computed, toRef } from 'vue';
import { photoAddress } from '../../api/shelf';
import { PICK_WORDS, type PickName } from './photoColour';
import { usePhotoMarks, type PhotoTool } from './usePhotoMarks';

/** A photo of the piece to mark faults on, and to measure its colour by the white card in it. */
const props = defineProps<{ photo: CheckPhoto }>();
const emit = defineEmits<{ change: [photo: CheckPhoto] }>();
const { tool, picks, problem, measuring, marks, tapped, unmark, say } = usePhotoMarks(
  toRef(props, 'photo'),
  (photo) => {
    emit('change', photo);
  },
);
const TOOLS: readonly { value: PhotoTool; words: string }[] = [
  { value: 'mark', words: 'Mark a fault' },
  { value: 'card', words: 'White card' },
  { value: 'cast', words: 'Cast' },
  { value: 'sample', words: 'Untouched sample' },
];
const picked = computed(() =>
  (Object.entries(picks.value) as [PickName, { x: number; y: number }][]).map(([name, at]) => ({
    name,
    ...at,
    words: PICK_WORDS[name],
  })),
);
const colour = computed(() => props.photo.colour ?? null);
function tap(event: MouseEvent) {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
  const share = (at: number, from: number, size: number) =>
    Math.round(Math.min(1, Math.max(0, (at - from) / size)) * 1000) / 1000;
  void tapped({ x: share(event.clientX, box.left, box.width), y: share(event.clientY, box.top, box.height) });
}
</script>

<template>
  <div class="photo-marks">
    <SelectButton
      v-model="tool"
      :options="[...TOOLS]"
      option-label="words"
      option-value="value"
      :allow-empty="false"
      aria-label="What a tap does"
    />
    <div class="frame" data-test="photo" @click="tap">
      <img :src="photoAddress(photo.id)" alt="The piece" />
      <span
        v-for="(m, i) in marks"
        :key="`m${i}`"
        class="mark figures"
        :style="{ left: `${m.x * 100}%`, top: `${m.y * 100}%` }"
        >{{ i + 1 }}</span
      >
      <span v-for="p in picked" :key="p.name" class="pick" :style="{ left: `${p.x * 100}%`, top: `${p.y * 100}%` }"
        ><i class="square" /><em>{{ p.words }}</em></span
      >
    </div>
    <p v-if="problem" class="bad small" role="alert">{{ problem }}</p>
    <p v-else-if="measuring" class="quiet small">Measuring …</p>
    <p v-else-if="colour" class="small" data-test="colour">
      b* <strong class="figures">{{ colour.b.toFixed(1) }}</strong>, yellowness index E313
      <strong class="figures">{{ colour.yellownessIndex.toFixed(0) }}</strong><template
        v-if="colour.againstSample != null"
        >, Δb* against the sample <strong class="figures">{{ colour.againstSample.toFixed(1) }}</strong></template
      >
    </p>
    <p v-else class="quiet small">For its colour, tap the white card and then the cast beside it.</p>
    <ol v-if="marks.length" class="small">
      <li v-for="(m, i) in marks" :key="i">
        <span class="figures">{{ i + 1 }}</span><InputText
          :model-value="m.says ?? ''"
          :aria-label="`What mark ${i + 1} is`"
          placeholder="what it is"
          @update:model-value="say(i, $event ?? '')"
        /><button type="button" class="off" :aria-label="`Take mark ${i + 1} off`" @click="unmark(i)">
          <i class="pi pi-times" aria-hidden="true" />
        </button>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.photo-marks {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
  max-width: 640px;
}
.frame {
  position: relative;
  cursor: crosshair;
  line-height: 0;
  align-self: flex-start;
}
img {
  max-width: 100%;
  max-height: 420px;
  border-radius: var(--radius);
  display: block;
}
.mark {
  position: absolute;
  transform: translate(-50%, -50%);
  width: 24px;
  height: 24px;
  border-radius: 50%;
  background: var(--outside);
  color: #fff;
  line-height: 24px;
  text-align: center;
  font-size: 0.8rem;
  font-weight: 700;
  border: 2px solid #fff;
  box-sizing: content-box;
}
.pick {
  position: absolute;
  transform: translate(-11px, -11px);
  line-height: 1.1;
}
.square {
  display: block;
  width: 22px;
  height: 22px;
  border: 2px solid #fff;
  outline: 2px solid var(--ink-900);
}
em {
  font-style: normal;
  font-size: 0.75rem;
  background: var(--ink-900);
  color: #fff;
  padding: 1px 5px;
  border-radius: 3px;
  white-space: nowrap;
}
li {
  display: grid;
  grid-template-columns: 1.6rem minmax(0, 1fr) var(--target);
  align-items: center;
  gap: var(--space-2);
  padding: 3px 0;
}
.off {
  border: 0;
  background: none;
  color: inherit;
  min-height: var(--target);
  cursor: pointer;
}
.bad {
  color: var(--outside);
}
</style>
