import { limitReadings, vesselStop, type Batch, type LimitReading, type Product } from '@warm-jar/core';
import { computed, ref, type ComputedRef, type Ref } from 'vue';
import { today } from '../../components/words';
import { provideForm, type FormContext } from '../../components/form/formContext';
import { without } from '../../components/form/typedTexts';
import { provided } from '../../components/provided';
import { draftIssues, readableBatch, useDraft, type Draft } from '../../stores/draft';
import { valueAt } from '../../stores/draftPath';
import { useProducts } from '../../stores/products';
import { useShelf } from '../../stores/shelf';
import { useUnits } from '../../stores/units';

/** What every field of the page shares: the draft, how it reads against the card, and what is wrong with it. */
export interface DraftContext extends FormContext {
  readonly draft: ComputedRef<Draft | null>;
  readonly product: ComputedRef<Product | null>;
  readonly batch: ComputedRef<Batch | null>;
  readonly readings: ComputedRef<ReadonlyMap<string, LimitReading>>;
  readonly serverIssues: Ref<Record<string, string>>;
  readonly tried: Ref<boolean>;
  /** Why the vessel must not be pressed to this, by its field; empty where nothing speaks against it. */
  readonly vesselIssue: ComputedRef<Record<string, string>>;
}

const shared = provided<DraftContext>('draft');

/** Makes the context of the draft of one batch, or of a new one, for the fields below. */
export function provideDraft(code: string | null): DraftContext {
  const store = useDraft();
  const products = useProducts();
  const units = useUnits();
  const shelf = useShelf();
  const draft = store.forCode(code);
  const serverIssues = ref<Record<string, string>>({});
  const tried = ref(false);
  const product = computed(
    () => products.bySlug.get(String(valueAt(draft.value?.document, 'product.slug') ?? '')) ?? null,
  );
  const batch = computed(() => (draft.value ? readableBatch(draft.value) : null));
  const readings = computed(
    () =>
      new Map(
        (product.value && batch.value ? limitReadings(product.value, batch.value, units.say) : []).map((r) => [
          r.field,
          r,
        ]),
      ),
  );
  /** A vessel's rating is a hard stop: what is above it is not stored as if it were nothing. */
  const vesselIssue = computed<Record<string, string>>(() => {
    const { gaugeKPa, vessel } = batch.value?.pressure ?? {};
    const found = shelf.vessels.find((v) => v.code === vessel);
    const stop =
      found && gaugeKPa != null
        ? vesselStop(found, gaugeKPa, batch.value?.startedAt?.slice(0, 10) ?? today(), units.say)
        : null;
    const issue: Record<string, string> = stop ? { 'pressure.gaugeKPa': stop.says } : {};
    return issue;
  });
  // Problems found here and those the server named. A missing choice only shows once saving was tried.
  const issues = computed(() => {
    const found = draft.value ? draftIssues(draft.value).issues : {};
    const shown = Object.entries(found).filter(([path]) => tried.value || path !== 'product.slug');
    return { ...serverIssues.value, ...Object.fromEntries(shown), ...vesselIssue.value };
  });
  const context: DraftContext = {
    draft,
    product,
    batch,
    readings,
    issues,
    texts: computed(() => draft.value?.texts ?? {}),
    serverIssues,
    tried,
    vesselIssue,
    value: (path) => valueAt(draft.value?.document, path),
    set: (path, value, rawText) => {
      serverIssues.value = without(serverIssues.value, path);
      store.set(code, path, value, rawText);
    },
  };
  provideForm(context);
  return shared.give(context);
}

export const useDraftContext = shared.take;
