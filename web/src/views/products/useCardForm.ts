import {
  cardConflicts,
  cardGaps,
  productSchema,
  ratioContradictions,
  volumeParts,
  weightParts,
  type CardConflict,
  type Family,
  type Product,
} from '@warm-jar/core';
import { useDebounceFn } from '@vueuse/core';
import { useToast } from 'primevue/usetoast';
import { computed, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { ApiProblem, api } from '../../api/client';
import { onSaveKey } from '../../keys/keys';
import { useDocumentForm, withoutEmpty } from '../../stores/documentForm';
import type { Tree } from '../../stores/draftPath';
import { useProducts } from '../../stores/products';
import { planWorker } from '../../workers/planInWorker';

const EMPTY: Tree = { format: 'warm-jar.product/1', revision: 1, ratio: {}, additives: { basis: 'weight' } };
/** A ratio that was worked out is kept to this many figures. */
const RATIO_DIGITS = 4;
const tidy = (n: number) => Number(n.toPrecision(RATIO_DIGITS));

/** A card being filled in: new, or the next revision of one. */
export function useCardForm(slug: string | null) {
  const products = useProducts();
  const router = useRouter();
  const toast = useToast();
  const stored = shallowRef<Product | null>(null);
  const ready = ref(slug === null);
  const problem = ref<string | null>(null);
  const saving = ref(false);
  const start = computed<Tree>(() => (stored.value ? { ...stored.value, revision: stored.value.revision + 1 } : EMPTY));
  const form = useDocumentForm(`product.${slug ?? 'new'}`, productSchema, start);
  const family = computed(() => (form.value('family') as Family | undefined) ?? null);
  /** The card as far as it can be read; name and slug stand in until they are typed. */
  const card = computed(() => {
    const r = productSchema.safeParse({ slug: 'new', name: 'New', ...withoutEmpty(form.document.value), revision: 1 });
    return r.success ? r.data : null;
  });
  const gaps = computed(() => (card.value ? cardGaps(card.value) : []));
  /** Depth against exotherm limit takes the slab, and so comes a moment later. */
  const tooHot = shallowRef<CardConflict | null>(null);
  const worker = planWorker();
  const askDepth = useDebounceFn(async () => {
    if (!card.value) {
      tooHot.value = null;
      return;
    }
    const outcome = await worker.run({ kind: 'depth-conflict', product: card.value }, () => undefined);
    if (outcome !== null) tooHot.value = 'result' in outcome ? (outcome.result as CardConflict | null) : null;
  }, 400);
  watch(
    card,
    () => {
      void askDepth();
    },
    { immediate: true },
  );
  onUnmounted(() => {
    worker.close();
  });
  const conflicts = computed(() => [
    ...(card.value ? cardConflicts(card.value) : []),
    ...(tooHot.value ? [tooHot.value] : []),
  ]);
  const computedRatio = computed(() => {
    if (!card.value) return null;
    const { byWeight, byVolume } = card.value.ratio;
    const found =
      byWeight && !byVolume
        ? { what: 'volume' as const, parts: volumeParts(card.value), a: byWeight.a }
        : byVolume && !byWeight
          ? { what: 'weight' as const, parts: weightParts(card.value), a: byVolume.a }
          : null;
    if (!found?.parts) return null;
    const b = tidy((found.a * found.parts.b) / found.parts.a);
    return { what: found.what, a: found.a, b, words: `${found.a} : ${b}` };
  });

  onMounted(async () => {
    if (slug === null) return;
    try {
      stored.value = await products.at(slug, null);
      ready.value = true;
    } catch (error) {
      problem.value = error instanceof ApiProblem ? error.message : 'The card could not be read.';
    }
  });

  async function save(): Promise<void> {
    if (!form.value('source'))
      form.serverIssues.value = { source: 'Say where the figures come from, such as "data sheet, rev. C".' };
    const sent = form.ready();
    const contradiction = card.value && ratioContradictions(card.value)[0];
    if (contradiction) {
      problem.value = contradiction.says;
      form.serverIssues.value = { [contradiction.field]: contradiction.says };
      return;
    }
    if (!sent?.source) {
      problem.value = 'Not saved yet: look at the marked fields. Nothing you typed is lost.';
      return;
    }
    if (saving.value) return;
    saving.value = true;
    try {
      const saved = await api.addProduct({ ...sent, revision: start.value['revision'] });
      form.drop();
      await products.load();
      toast.add({
        severity: 'success',
        summary: `${saved.name}, revision ${saved.revision}, is on the shelf`,
        life: 4000,
      });
      await router.push({ name: 'products', params: { slug: saved.slug } });
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      problem.value = error.message;
      form.serverIssues.value = Object.fromEntries(error.issues.map((i) => [i.path, i.message]));
      if (error.code === 'revision-conflict' && slug) {
        await products.load();
        stored.value = await products.at(slug, null);
      }
    } finally {
      saving.value = false;
    }
  }

  onSaveKey(() => void save());
  return {
    form,
    family,
    gaps,
    conflicts,
    computedRatio,
    problem,
    saving,
    ready,
    save,
    takeRatio: () => {
      const r = computedRatio.value;
      if (r) form.set(r.what === 'volume' ? 'ratio.byVolume' : 'ratio.byWeight', { a: r.a, b: r.b });
    },
  };
}
