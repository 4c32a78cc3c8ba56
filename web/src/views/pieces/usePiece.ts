import type { Layer, LayerPlan, Piece } from '@warm-jar/core';
import { useDebounceFn } from '@vueuse/core';
import { useToast } from 'primevue/usetoast';
import { onMounted, ref, shallowRef, watch, type Ref } from 'vue';
import { ApiProblem } from '../../api/client';
import { piecesApi } from '../../api/pieces';
import { useLive } from '../../stores/live';

/** Typing waits this long for the next letter before it is stored, ms. */
const TYPING_PAUSE_MS = 350;

export const isPoured = (layer: Layer): boolean => layer.batch != null || layer.pouredAt != null;

/** One piece with its plan; each change is stored as it is made, and the plan worked out anew. */
export function usePiece(code: Ref<string>) {
  const toast = useToast();
  const piece = shallowRef<Piece | null>(null);
  const plan = shallowRef<LayerPlan | null>(null);
  const problem = ref<string | null>(null);
  let version = 0;
  let [dirty, saving, conflict] = [false, false, false];

  async function load(): Promise<void> {
    // What is being typed here goes before what another screen did.
    if (dirty || saving) return;
    try {
      const [stored, laid] = await Promise.all([piecesApi.get(code.value), piecesApi.plan(code.value)]);
      [piece.value, plan.value, version, problem.value] = [stored.item, laid, stored.version, null];
    } catch (error) {
      problem.value = error instanceof ApiProblem ? error.message : 'The piece could not be read.';
    }
  }
  /** Stores what stands, again where more was typed meanwhile, and works the plan out anew. */
  async function save(): Promise<void> {
    if (saving) return;
    saving = true;
    try {
      while (dirty && piece.value) {
        dirty = false;
        version = await piecesApi.save(piece.value, version);
      }
      [plan.value, problem.value] = [await piecesApi.plan(code.value), null];
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      // What could not be stored stays here, and no other screen's change is laid over it.
      [dirty, conflict] = [true, error.code === 'version-conflict'];
      problem.value = [error.message, ...error.issues.map((i) => `${i.path}: ${i.message}`)].join(' ');
    } finally {
      saving = false;
    }
  }
  /** Tries again what failed; where another screen was first, what it stored is loaded, as the message says. */
  function again(): Promise<void> {
    if (dirty && !conflict) return save();
    [dirty, conflict] = [false, false];
    return load();
  }
  const saveSoon = useDebounceFn(save, TYPING_PAUSE_MS);
  function change(next: Piece): void {
    piece.value = next;
    dirty = true;
    void saveSoon();
  }
  const changeLayer = (index: number, patch: Partial<Layer>) =>
    piece.value
      ? change({ ...piece.value, layers: piece.value.layers.map((l, i) => (i === index ? { ...l, ...patch } : l)) })
      : undefined;
  const addLayer = (productSlug: string) =>
    piece.value
      ? change({ ...piece.value, layers: [...piece.value.layers, { productSlug, depthMm: null }] })
      : undefined;
  /** Puts a layer in before the one at `index`; what is poured below it is not moved. */
  const insertLayer = (index: number, productSlug: string) => {
    const layers = piece.value?.layers;
    if (piece.value && layers)
      change({
        ...piece.value,
        layers: [...layers.slice(0, index), { productSlug, depthMm: null }, ...layers.slice(index)],
      });
  };
  /** Swaps a layer with the one above or below it; only what is not poured yet moves. */
  const moveLayer = (index: number, by: 1 | -1) => {
    const layers = [...(piece.value?.layers ?? [])];
    const [here, there] = [layers[index], layers[index + by]];
    if (!piece.value || !here || !there || isPoured(here) || isPoured(there)) return;
    [layers[index], layers[index + by]] = [there, here];
    change({ ...piece.value, layers });
  };
  const removeLayer = (index: number) =>
    piece.value ? change({ ...piece.value, layers: piece.value.layers.filter((_, i) => i !== index) }) : undefined;
  async function remove(): Promise<boolean> {
    try {
      await piecesApi.remove(code.value, version);
      toast.add({
        severity: 'success',
        summary: `${code.value} is taken off the list`,
        detail: 'Its batches stay in the log.',
        life: 5000,
      });
      return true;
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      problem.value = error.message;
      return false;
    }
  }
  useLive().onChange(() => void load());
  onMounted(load);
  watch(code, () => {
    dirty = false;
    void load();
  });
  return { piece, plan, problem, again, change, changeLayer, addLayer, insertLayer, moveLayer, removeLayer, remove };
}
