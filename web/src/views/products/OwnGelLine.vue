<script setup lang="ts">
import { computed, onMounted } from 'vue';
import type { LearningQuestion } from '../../api/learning';
import { useLearning } from '../../stores/useLearning';

/** The studio's own gel time of this product beside the card's, where the log has enough of them. */
const props = defineProps<{ slug: string }>();
const { answer, ask } = useLearning<Extract<LearningQuestion, { what: 'figures' }>>();
onMounted(() => void ask({ what: 'figures' }));
const own = computed(() => answer.value?.gel.find((g) => g.slug === props.slug) ?? null);
</script>

<template>
  <p v-if="own?.fit.status === 'fitted'" class="card own" data-test="own-gel">
    <strong>Here, by your own log:</strong> {{ own.says }}
    <RouterLink :to="{ name: 'figures' }">Own figures</RouterLink>
  </p>
</template>

<style scoped>
.own {
  border-left: 6px solid var(--part-b);
  padding: var(--space-2) var(--space-4);
}
</style>
