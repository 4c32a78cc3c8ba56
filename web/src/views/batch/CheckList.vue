<script setup lang="ts">
import { checksInOrder } from '@warm-jar/core';
import { sayMinutes, type Batch, type Product } from '@warm-jar/core';
import { computed } from 'vue';
import { photoAddress } from '../../api/shelf';
import { SEVERITY_WORDS, inWords, symptomWords } from '../../components/words';

/** Every look at the piece, in the order of time. */
const props = defineProps<{ code: string; batch: Batch; product: Product }>();
const checks = computed(() => checksInOrder(props.batch));
const severityWords = (severity: number | null | undefined) =>
  severity == null ? '' : `, ${SEVERITY_WORDS[severity - 1]}`;
</script>

<template>
  <section class="card stack" aria-labelledby="checks">
    <h2 id="checks">Checks</h2>
    <p v-if="checks.length === 0" class="quiet">Nobody has looked at it yet.</p>
    <div v-for="(c, i) in checks" :key="i" class="check">
      <p class="row spread">
        <strong
          ><template v-if="c.casting"
            ><span class="figures">{{ c.casting }}</span
            >, </template
          >after {{ sayMinutes(c.afterH * 60) }}</strong
        ><span v-if="c.grade" class="grade">{{ c.grade }}</span>
      </p>
      <p v-for="s in c.symptoms ?? []" :key="s.kind + s.pattern">
        <RouterLink :to="{ name: 'diagnosis', params: { code } }">{{ symptomWords(s) }}</RouterLink><span
          class="quiet small"
          >{{ severityWords(s.severity) }}<template v-if="s.where">; {{ s.where }}</template
          ><template v-if="s.area?.shareOfFace != null"
            >, {{ Math.round(s.area.shareOfFace * 100) }} % of the face</template
          ></span
        >
      </p>
      <p v-if="(c.symptoms ?? []).length === 0" class="quiet">
        {{ c.symptoms ? 'no fault seen' : 'symptoms not recorded' }}
      </p>
      <p v-if="c.touch" class="small">To the touch: {{ inWords(c.touch) }}</p>
      <div v-if="c.photos?.length" class="row photos">
        <a v-for="p in c.photos" :key="p.id" :href="photoAddress(p.id)" target="_blank"
          ><img :src="photoAddress(p.id)" alt="Photo of this look"
        /></a>
      </div>
      <p v-if="c.shore != null" class="small">
        Shore {{ product.hardness?.scale ?? '' }} <span class="figures">{{ c.shore }}</span>
      </p>
      <p v-if="c.bubbleCount != null" class="small">
        <span class="figures">{{ c.bubbleCount }}</span> bubbles counted
      </p>
      <p v-if="c.note" class="small quiet">{{ c.note }}</p>
    </div>
  </section>
</template>

<style scoped>
.check + .check {
  border-top: 1px solid var(--card-edge);
  padding-top: var(--space-2);
}
.photos img {
  height: 56px;
  border-radius: 4px;
  display: block;
}
.grade {
  border: 1px solid currentcolor;
  border-radius: 4px;
  padding: 0 8px;
  font-weight: 650;
}
</style>
