<script setup lang="ts">
import type { CheckPhoto } from '@warm-jar/core';
import InputText from 'primevue/inputtext';
import SelectButton from 'primevue/selectbutton';
import { computed, toRef, useTemplateRef } from 'vue';
import { photoAddress } from '../../api/shelf';
import PlaceFields from '../PlaceFields.vue';
import { focusAfterRemoval } from '../focusAfterRemoval';
import { placeOf, placeWords, useCross, type Place } from '../useCross';
import { PICK_WORDS, type PickName } from './photoColour';
import { usePhotoMarks, type PhotoTool } from './usePhotoMarks';

/** A photo of the piece to mark faults on, and to measure its colour by the white card in it. */
const props = defineProps<{ photo: CheckPhoto }>();
const emit = defineEmits<{ change: [photo: CheckPhoto] }>();
const { tool, picks, problem, measuring, marks, tapped, pick, unmark, remark } = usePhotoMarks(
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
  (Object.entries(picks.value) as [PickName, Place][]).map(([name, at]) => ({ name, at, words: PICK_WORDS[name] })),
);
const colour = computed(() => props.photo.colour ?? null);
const { at, shown, onKeydown, focus, blur } = useCross((place) => void tapped(place));
const toolWords = computed(() => TOOLS.find((t) => t.value === tool.value)?.words ?? '');
const list = useTemplateRef<HTMLElement>('list');
function off(index: number) {
  unmark(index);
  focusAfterRemoval(list.value, '.off', index);
}
const css = ({ x, y }: Place) => ({ left: `${x * 100}%`, top: `${y * 100}%` });
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
    <div
      class="frame"
      data-test="photo"
      tabindex="0"
      role="application"
      :aria-label="`Photo of the piece, ${marks.length} marked. ${toolWords}: arrows move a cross, Enter sets it`"
      @click="void tapped(placeOf($event))"
      @keydown="onKeydown"
      @focus="focus"
      @blur="blur"
    >
      <img :src="photoAddress(photo.id)" alt="The piece" />
      <span v-for="(m, i) in marks" :key="`m${i}`" class="mark figures" :style="css(m)">{{ i + 1 }}</span>
      <span v-for="p in picked" :key="p.name" class="pick" :style="css(p.at)"
        ><i class="square" /><em>{{ p.words }}</em></span
      >
      <span v-if="shown" class="cross" :style="css(at)" />
    </div>
    <span v-if="shown" class="visually-hidden" aria-live="polite">{{ placeWords(at) }}</span>
    <p v-if="problem" class="bad small" role="alert" data-test="photo-problem">{{ problem }}</p>
    <p v-else-if="measuring" class="quiet small" role="status">Measuring …</p>
    <p v-else-if="colour" class="small" role="status" data-test="colour">
      b* <strong class="figures">{{ colour.b.toFixed(1) }}</strong>, yellowness index E313
      <strong class="figures">{{ colour.yellownessIndex.toFixed(0) }}</strong><template
        v-if="colour.againstSample != null"
        >, Δb* against the sample <strong class="figures">{{ colour.againstSample.toFixed(1) }}</strong></template
      ><template v-if="colour.from === 'kept'"
        >. Measured on the kept copy, which is compressed: up to 0.7 b* off.</template
      >
    </p>
    <p v-else class="quiet small">For its colour, tap the white card and then the cast beside it.</p>
    <div v-if="picked.length" class="picks small">
      <span v-for="p in picked" :key="p.name"
        >{{ p.words }}
        <PlaceFields :id="`pick-${p.name}`" :place="p.at" :label="p.words" @change="pick(p.name, $event)"
      /></span>
    </div>
    <ol v-if="marks.length" ref="list" class="small">
      <li v-for="(m, i) in marks" :key="i">
        <span class="figures">{{ i + 1 }}</span><InputText
          :model-value="m.says ?? ''"
          :aria-label="`What mark ${i + 1} is`"
          placeholder="what it is"
          @update:model-value="remark(i, { says: $event || null })"
        /><PlaceFields :id="`mark-${i}`" :place="m" :label="`Mark ${i + 1}`" @change="remark(i, $event)" /><button
          type="button"
          class="off"
          :aria-label="`Remove mark ${i + 1}`"
          @click="off(i)"
        >
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
  max-width: 40rem;
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
.cross {
  position: absolute;
  width: 26px;
  height: 26px;
  transform: translate(-50%, -50%);
  border: 2px solid #fff;
  outline: 2px solid var(--ink-900);
  border-radius: 50%;
}
.picks {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-4);
}
li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2);
  padding: 3px 0;
}
li > :nth-child(2) {
  flex: 1 1 10rem;
}
.off {
  border: 0;
  background: none;
  color: inherit;
  min-height: var(--target);
  min-width: var(--target);
  cursor: pointer;
}
.bad {
  color: var(--outside);
}
</style>
