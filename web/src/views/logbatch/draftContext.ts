import { limitReadings, type Batch, type LimitReading, type Product } from '@warm-jar/core';
import { computed, inject, provide, ref, type ComputedRef, type InjectionKey, type Ref } from 'vue';
import { draftIssues, readableBatch, useDraft, type Draft } from '../../stores/draft';
import { valueAt } from '../../stores/draftPath';
import { useProducts } from '../../stores/products';
import { useUnits } from '../../stores/units';

/** What every field of the page shares: the draft, how it reads against the card, and what is wrong with it. */
export interface DraftContext {
  readonly draft: ComputedRef<Draft | null>;
  readonly product: ComputedRef<Product | null>;
  readonly batch: ComputedRef<Batch | null>;
  readonly readings: ComputedRef<ReadonlyMap<string, LimitReading>>;
  /** Problems by path: those found here, and those the server named. Missing choices only show once saving was tried. */
  readonly issues: ComputedRef<Record<string, string>>;
  readonly serverIssues: Ref<Record<string, string>>;
  readonly tried: Ref<boolean>;
  readonly value: (path: string) => unknown;
  readonly set: (path: string, value: unknown, rawText?: string) => void;
}

const KEY: InjectionKey<DraftContext> = Symbol('draft');

/** Makes the context of the draft of one batch, or of a new one, for the fields below. */
export function provideDraft(code: string | null): DraftContext {
  const store = useDraft();
  const products = useProducts();
  const units = useUnits();
  const draft = store.forCode(code);
  const serverIssues = ref<Record<string, string>>({});
  const tried = ref(false);
  const product = computed(() => products.bySlug.get(String(valueAt(draft.value?.document, 'product.slug') ?? '')) ?? null);
  const batch = computed(() => (draft.value ? readableBatch(draft.value) : null));
  const readings = computed(() => new Map(
    (product.value && batch.value ? limitReadings(product.value, batch.value, units.say) : []).map((r) => [r.field, r]),
  ));
  const issues = computed(() => {
    const found = draft.value ? draftIssues(draft.value).issues : {};
    const shown = Object.entries(found).filter(([path]) => tried.value || path !== 'product.slug');
    return { ...serverIssues.value, ...Object.fromEntries(shown) };
  });
  const context: DraftContext = {
    draft, product, batch, readings, issues, serverIssues, tried,
    value: (path) => valueAt(draft.value?.document, path),
    set: (path, value, rawText) => {
      serverIssues.value = Object.fromEntries(Object.entries(serverIssues.value).filter(([p]) => p !== path));
      store.set(code, path, value, rawText);
    },
  };
  provide(KEY, context);
  return context;
}

export function useDraftContext(): DraftContext {
  const context = inject(KEY);
  if (!context) throw new Error('A batch field stands outside its page.');
  return context;
}
