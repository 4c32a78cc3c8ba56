<script setup lang="ts">
import { STAGE_WORDS, sayMinutes } from '@warm-jar/core';
import { computed } from 'vue';
import ItemJar from '../../components/ItemJar.vue';
import { dueText, isLate, potLifeLeft, type WorkItem } from '../../stores/urgency';
import { useWork } from '../../stores/work';

/** A batch in work: what it is at, what is due, and the way to its bench. */
const props = defineProps<{ item: WorkItem }>();
const work = useWork();
const to = computed(() => ({ name: 'bench', params: { code: props.item.code } }));
const due = computed(() => dueText(props.item, work.nowMs));
const late = computed(() => isLate(props.item, work.nowMs));
const metSince = computed(() =>
  props.item.startMs === null
    ? 'start not recorded'
    : `${sayMinutes(Math.max(0, Math.floor((work.nowMs - props.item.startMs) / 60_000)))} since the parts met`,
);
const left = computed(() => {
  const share = potLifeLeft(props.item, work.nowMs);
  return share === null ? null : `${Math.round(share * 100)} % of pot life left`;
});
</script>

<template>
  <RouterLink class="card bench" :to="to">
    <span class="glass"><ItemJar :item="item" :label="item.product.name" /></span>
    <span class="told">
      <span class="head"
        ><strong class="stage">{{ STAGE_WORDS[item.stage] }}</strong
        ><span class="figures code">{{ item.code }}</span></span
      >
      <span
        >{{ item.product.name
        }}<template v-if="item.batch.mould?.code"
          >, <span class="whole">{{ item.batch.mould.code }}</span></template
        ></span
      >
      <strong class="due" :class="{ late }">{{ due }}</strong>
      <span class="quiet small">{{ left ?? metSince }}</span>
      <span v-if="item.batch.note" class="quiet small">{{ item.batch.note }}</span>
    </span>
  </RouterLink>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: 4.5rem minmax(0, 1fr);
  gap: var(--space-3);
  padding: var(--space-3);
  color: inherit;
  text-decoration: none;
  height: 100%;
  align-items: center;
}
.bench:hover {
  border-color: var(--action);
}
.told {
  display: flex;
  flex-direction: column;
  gap: 2px;
  min-width: 0;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: var(--space-2);
}
.stage {
  font-size: 1.35rem;
  line-height: 1.1;
}
.code,
.whole {
  white-space: nowrap;
}
.code {
  font-weight: 700;
}
/* A number is not parted from its unit by a line of its own. */
.due,
.told .small {
  text-wrap: balance;
}
.due {
  font-size: 1.05rem;
  padding-top: 4px;
}
.late {
  color: var(--outside);
  font-weight: 700;
}
</style>
