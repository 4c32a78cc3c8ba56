import { productSchema, slugOf, type SheetReading } from '@warm-jar/core';
import { computed, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useDocumentForm } from '../../stores/documentForm';
import { useKeptOfTab } from '../../stores/kept';
import { readPdf } from '../../workers/readPdf';
import { sheetReader, type SheetRead } from '../../workers/readSheet';
import { EMPTY_CARD } from './emptyCard';
import { figuresTaken, sheetOffers, type SheetOffer } from './sheetOffers';

/** Largest file of a data sheet taken, bytes, and the longest text, letters. */
const [MAX_BYTES, MAX_LETTERS] = [20_000_000, 400_000];

/** A sheet as it was brought, and what of it is to be taken; kept until it went into a card or was put away. */
interface KeptSheet {
  readonly name: string;
  readonly text: string;
  readonly asked: string | null;
  readonly taken: Readonly<Record<string, number | null>>;
  readonly title: boolean;
  readonly family: boolean;
}

const BLANK: KeptSheet = { name: '', text: '', asked: null, taken: {}, title: true, family: true };

/** What stands ticked at first: what is stated once; between figures that contradict somebody has to choose. */
const firstChoice = (offer: SheetOffer): number | null => (offer.contradicts ? null : 0);

/** A chosen file as text. @returns what keeps it from being read */
async function textOf(file: File): Promise<{ readonly text: string } | { readonly problem: string }> {
  if (file.size > MAX_BYTES) return { problem: `${file.name} is larger than ${MAX_BYTES / 1e6} MB.` };
  if (file.type === 'application/pdf' || /\.pdf$/i.test(file.name)) return readPdf(await file.arrayBuffer());
  if (/^(?:image|video|audio)\//.test(file.type))
    return { problem: `${file.name} is a picture. Only words can be read: a PDF with text, or text.` };
  return { text: await file.text() };
}

/** What a sheet's words say, worked out beside the page. */
function useReading(kept: { readonly value: KeptSheet }) {
  const read = shallowRef<SheetRead | null>(null);
  const problem = ref<string | null>(null);
  const busy = ref(false);
  const reader = sheetReader();
  async function again(): Promise<void> {
    const { text, asked } = kept.value;
    problem.value = null;
    if (text.trim() === '') {
      read.value = null;
      return;
    }
    busy.value = true;
    const outcome = await reader.ask({ text: text.slice(0, MAX_LETTERS), asked });
    if (outcome === null) return;
    busy.value = false;
    if ('result' in outcome) read.value = outcome.result;
    else problem.value = outcome.failure;
  }
  onMounted(again);
  watch(() => [kept.value.text, kept.value.asked], again);
  onUnmounted(reader.close);
  return { read, problem, busy };
}

/** The card that the taken figures go into: the draft of the page that types one in. */
function useTaking(kept: { value: KeptSheet }, read: { readonly value: SheetRead | null }) {
  const router = useRouter();
  const form = useDocumentForm('product.new', productSchema, ref(EMPTY_CARD));
  const offers = computed(() => sheetOffers((read.value?.readings ?? []) as readonly SheetReading[]));
  const taken = computed(() =>
    Object.fromEntries(
      offers.value.map((o) => [o.id, o.id in kept.value.taken ? kept.value.taken[o.id]! : firstChoice(o)]),
    ),
  );
  const figures = computed(() => figuresTaken(offers.value, taken.value));
  const name = computed(() => kept.value.asked ?? read.value?.title ?? null);

  async function takeAll(): Promise<void> {
    for (const { path, value } of figures.value) form.set(path, value);
    if (kept.value.title && name.value) {
      form.set('name', name.value);
      form.set('slug', slugOf(name.value));
    }
    if (kept.value.family && read.value?.family) form.set('family', read.value.family.family);
    form.set('source', kept.value.name === '' ? 'data sheet, pasted' : `data sheet, ${kept.value.name}`);
    await router.push({ name: 'new-product' });
  }
  return { offers, taken, figures, name, takeAll, draft: form.changed };
}

/** A data sheet brought in: its words, what was found in them, and what of that goes into a card. */
export function useSheet() {
  const kept = useKeptOfTab<KeptSheet>('warm-jar.sheet', BLANK);
  const { read, problem: readProblem, busy } = useReading(kept);
  const fileProblem = ref<string | null>(null);
  const opening = ref(false);
  const { offers, taken, ...taking } = useTaking(kept, read);

  async function open(file: File | undefined): Promise<void> {
    if (!file) return;
    [fileProblem.value, opening.value] = [null, true];
    try {
      const found = await textOf(file);
      if ('problem' in found) fileProblem.value = found.problem;
      else kept.value = { ...BLANK, name: file.name, text: found.text };
    } finally {
      opening.value = false;
    }
  }
  const change = (part: Partial<KeptSheet>) => {
    kept.value = { ...kept.value, ...part };
  };
  const choose = (id: string, choice: number | null) => {
    change({ taken: { ...kept.value.taken, [id]: choice } });
  };
  return {
    kept: computed(() => kept.value),
    read,
    offers,
    taken,
    ...taking,
    problem: computed(() => fileProblem.value ?? readProblem.value),
    busy: computed(() => busy.value || opening.value),
    open,
    paste: (text: string) => {
      change({ ...BLANK, text, name: kept.value.name });
    },
    ask: (asked: string | null) => {
      change({ asked, taken: {} });
    },
    change,
    choose,
    putAway: () => {
      kept.value = BLANK;
    },
  };
}
