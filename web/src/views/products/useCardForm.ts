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
import { computed, onMounted, onUnmounted, ref, shallowRef, watch, type ComputedRef } from 'vue';
import { useRouter } from 'vue-router';
import { ApiProblem, api } from '../../api/client';
import { focusFirstError } from '../../components/focusFirstError';
import { onSaveKey } from '../../keys/keys';
import { useDocumentForm, withoutEmpty } from '../../stores/documentForm';
import type { Tree } from '../../stores/draftPath';
import { useProducts } from '../../stores/products';
import { planWorker } from '../../workers/planInWorker';
import { EMPTY_CARD } from './emptyCard';

/** A ratio that was worked out is kept to this many figures. */
const RATIO_DIGITS = 4;
const tidy = (n: number) => Number(n.toPrecision(RATIO_DIGITS));

/**
 * The ratio that the card does not state, worked out of the one that it
 * does by its densities; null where it cannot be.
 */
function otherRatio(card: Product) {
  const { byWeight, byVolume } = card.ratio;
  if (byWeight && !byVolume) return { what: 'volume' as const, parts: volumeParts(card), a: byWeight.a };
  if (byVolume && !byWeight) return { what: 'weight' as const, parts: weightParts(card), a: byVolume.a };
  return null;
}

/** Depth against exotherm limit takes the slab, and so comes a moment later. */
function useDepthConflict(card: ComputedRef<Product | null>) {
  const tooHot = shallowRef<CardConflict | null>(null);
  const worker = planWorker();
  const ask = useDebounceFn(async () => {
    if (!card.value) {
      tooHot.value = null;
      return;
    }
    const outcome = await worker.run({ kind: 'depth-conflict', product: card.value }, () => undefined);
    if (outcome !== null) tooHot.value = 'result' in outcome ? (outcome.result as CardConflict | null) : null;
  }, 400);
  watch(card, () => void ask(), { immediate: true });
  onUnmounted(() => {
    worker.close();
  });
  return tooHot;
}

type CardForm = ReturnType<typeof useDocumentForm<Product>>;

/** What the form says of the card as far as it can be read: gaps, contradictions, and the ratio it leaves out. */
function useCardAdvice(form: CardForm) {
  /** Name and slug stand in until they are typed. */
  const card = computed(() => {
    const r = productSchema.safeParse({ slug: 'new', name: 'New', ...withoutEmpty(form.document.value), revision: 1 });
    return r.success ? r.data : null;
  });
  const tooHot = useDepthConflict(card);
  const computedRatio = computed(() => {
    const found = card.value && otherRatio(card.value);
    if (!found?.parts) return null;
    const b = tidy((found.a * found.parts.b) / found.parts.a);
    return { what: found.what, a: found.a, b, words: `${found.a} : ${b}` };
  });
  return {
    card,
    gaps: computed(() => (card.value ? cardGaps(card.value) : [])),
    conflicts: computed(() => [
      ...(card.value ? cardConflicts(card.value) : []),
      ...(tooHot.value ? [tooHot.value] : []),
    ]),
    computedRatio,
    /** Whether enough is typed to say what is missing. */
    readable: computed(() => card.value !== null),
    takeRatio: () => {
      const r = computedRatio.value;
      if (r) form.set(r.what === 'volume' ? 'ratio.byVolume' : 'ratio.byWeight', { a: r.a, b: r.b });
    },
  };
}

/** The card that the next revision is made from; none where it is new. */
function useStoredCard(slug: string | null) {
  const products = useProducts();
  const stored = shallowRef<Product | null>(null);
  const ready = ref(slug === null);
  const problem = ref<string | null>(null);
  async function read(): Promise<void> {
    if (slug !== null) stored.value = await products.at(slug, null);
  }
  onMounted(async () => {
    try {
      await read();
      ready.value = true;
    } catch (error) {
      problem.value = error instanceof ApiProblem ? error.message : 'The card could not be read.';
    }
  });
  return { stored, ready, problem, read };
}

/** A card being filled in: new, or the next revision of one. */
export function useCardForm(slug: string | null) {
  const products = useProducts();
  const router = useRouter();
  const toast = useToast();
  const { stored, ready, problem, read } = useStoredCard(slug);
  const saving = ref(false);
  const start = computed<Tree>(() =>
    stored.value ? { ...stored.value, revision: stored.value.revision + 1 } : EMPTY_CARD,
  );
  const form = useDocumentForm(`product.${slug ?? 'new'}`, productSchema, start);
  const family = computed(() => (form.value('family') as Family | undefined) ?? null);
  const { card, ...advice } = useCardAdvice(form);

  /** The card to be stored; null with what is wrong shown. */
  function toStore(): Product | null {
    if (!form.value('source'))
      form.serverIssues.value = { source: 'Say where the figures come from, such as "data sheet, rev. C".' };
    const sent = form.ready();
    const contradiction = card.value && ratioContradictions(card.value)[0];
    if (contradiction) {
      problem.value = contradiction.says;
      form.serverIssues.value = { [contradiction.field]: contradiction.says };
      return null;
    }
    if (sent?.source) return sent;
    problem.value = 'Not saved yet: look at the marked fields. Nothing you typed is lost.';
    void focusFirstError();
    return null;
  }

  async function refused(error: unknown): Promise<void> {
    if (!(error instanceof ApiProblem)) throw error;
    problem.value = error.message;
    form.serverIssues.value = Object.fromEntries(error.issues.map((i) => [i.path, i.message]));
    if (error.code !== 'revision-conflict') return;
    await products.load();
    await read();
  }

  async function save(): Promise<void> {
    const sent = toStore();
    if (!sent || saving.value) return;
    saving.value = true;
    try {
      const { name, revision, slug: saved } = await api.addProduct({ ...sent, revision: start.value['revision'] });
      form.drop();
      await products.load();
      toast.add({ severity: 'success', summary: `${name}, revision ${revision}, is on the shelf`, life: 4000 });
      await router.push({ name: 'products', params: { slug: saved } });
    } catch (error) {
      await refused(error);
    } finally {
      saving.value = false;
    }
  }
  onSaveKey(() => void save());
  return { form, family, ...advice, problem, saving, ready, save };
}
