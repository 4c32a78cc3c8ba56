<script setup lang="ts">
import Checkbox from 'primevue/checkbox';
import { useUnits } from '../../stores/units';
import { offerWords } from './offerWords';
import type { SheetOffer } from './sheetOffers';

/** One line of a card as the sheet states it, once or several times, each with the words it comes from. */
const props = defineProps<{ offer: SheetOffer; taken: number | null; lines: readonly string[] }>();
const emit = defineEmits<{ take: [choice: number | null] }>();
const units = useUnits();
const idOf = (at: number) => `offer-${props.offer.id.replaceAll(/[^A-Za-z0-9]/g, '-')}-${at}`;
</script>

<template>
  <li class="offer" :data-offer="offer.id">
    <span class="label" :class="{ clash: offer.contradicts }"
      >{{ offer.label
      }}<span v-if="offer.contradicts" class="small"
        >contradicts {{ offer.choices.length > 1 ? 'itself' : 'others' }}</span
      ><span v-else-if="offer.choices.length > 1" class="small quiet"
        >stated {{ offer.choices.length }} times</span
      ></span
    >
    <ul class="choices">
      <li v-for="(c, at) in offer.choices" :key="at" class="choice">
        <Checkbox
          :input-id="idOf(at)"
          :model-value="taken === at"
          binary
          @update:model-value="emit('take', $event ? at : null)"
        />
        <label :for="idOf(at)"
          ><strong class="figures">{{ offerWords(c, units.say) }}</strong
          ><span class="said small"
            >line {{ c.line }}: <q>{{ (lines[c.line - 1] ?? c.text).trim() }}</q></span
          ></label
        >
      </li>
    </ul>
  </li>
</template>

<style scoped>
.offer {
  display: grid;
  grid-template-columns: 9.5rem minmax(0, 1fr);
  gap: var(--space-3);
  padding: var(--space-2) 0;
  border-top: 1px solid var(--card-edge);
}
.label {
  display: flex;
  flex-direction: column;
  padding-top: 10px;
  line-height: 1.2;
}
.clash {
  color: var(--outside);
  font-weight: 650;
}
.choices {
  display: flex;
  flex-direction: column;
}
.choice {
  display: flex;
  align-items: center;
  gap: var(--space-3);
  min-height: var(--target);
}
.choice label {
  flex: 1;
  min-width: 0;
  padding: 4px 0;
  cursor: pointer;
}
.said {
  display: block;
  color: var(--text-quiet);
  overflow-wrap: anywhere;
}
@media (max-width: 40em) {
  .offer {
    grid-template-columns: minmax(0, 1fr);
    gap: 0;
  }
}
</style>
