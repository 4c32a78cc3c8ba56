import { defineStore } from 'pinia';
import { computed } from 'vue';
import { useKeptOfTab } from './kept';
import { EMPTY_PLAN, type PlanForm } from './planForm';

interface Kept {
  readonly form: PlanForm;
  readonly texts: Readonly<Record<string, string>>;
}

/** The plan being made. Every change is in the browser's storage at once, so a reload loses nothing. */
export const usePlanForm = defineStore('plan', () => {
  const kept = useKeptOfTab<Kept>('warm-jar.plan', { form: EMPTY_PLAN, texts: {} });
  // A kept form from before a field existed has it as not said.
  const form = computed<PlanForm>(() => ({ ...EMPTY_PLAN, ...kept.value.form }));
  const texts = computed(() => kept.value.texts);
  /** Changes fields; `rawText` keeps a text that is no number yet. */
  function set(patch: Partial<PlanForm>, rawText?: string): void {
    const names = Object.keys(patch);
    const others = Object.fromEntries(Object.entries(texts.value).filter(([name]) => !names.includes(name)));
    const first = names[0];
    kept.value = {
      form: { ...form.value, ...patch },
      texts: rawText === undefined || first === undefined ? others : { ...others, [first]: rawText },
    };
  }
  function setMeasure(name: string, value: number | null, rawText?: string): void {
    const others = Object.fromEntries(Object.entries(texts.value).filter(([n]) => n !== `measures.${name}`));
    kept.value = {
      form: { ...form.value, measures: { ...form.value.measures, [name]: value } },
      texts: rawText === undefined ? others : { ...others, [`measures.${name}`]: rawText },
    };
  }
  return {
    form,
    texts,
    set,
    setMeasure,
    clear: () => {
      kept.value = { form: EMPTY_PLAN, texts: {} };
    },
  };
});
