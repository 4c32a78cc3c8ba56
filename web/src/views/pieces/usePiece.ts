import type { Layer, LayerPlan, Piece } from '@warm-jar/core';
import { useDebounceFn } from '@vueuse/core';
import { useToast } from 'primevue/usetoast';
import { onMounted, ref, shallowRef, watch, type Ref } from 'vue';
import { ApiProblem } from '../../api/client';
import { piecesApi } from '../../api/pieces';
import { useLive } from '../../stores/live';
import { insertedLayer, movedLayer, withLayer, withoutLayer } from './editLayers';

/** Typing waits this long for the next letter before it is stored, ms. */
const TYPING_PAUSE_MS = 350;

/** A piece, its plan and its version, stored again as it is changed. */
function useStoredPiece(code: Ref<string>) {
  const piece = shallowRef<Piece | null>(null);
  const plan = shallowRef<LayerPlan | null>(null);
  const problem = ref<string | null>(null);
  let [version, dirty, saving, conflict] = [0, false, false, false];

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
  const saveSoon = useDebounceFn(save, TYPING_PAUSE_MS);
  return {
    piece,
    plan,
    problem,
    load,
    version: () => version,
    change: (next: Piece | null) => {
      if (!next) return;
      piece.value = next;
      dirty = true;
      void saveSoon();
    },
    /** Tries again what failed; where another screen was first, what it stored is loaded, as the message says. */
    again: (): Promise<void> => {
      if (dirty && !conflict) return save();
      [dirty, conflict] = [false, false];
      return load();
    },
    /** Forgets what was typed for another piece. */
    forget: () => {
      dirty = false;
    },
  };
}

/** One piece with its plan; each change is stored as it is made, and the plan worked out anew. */
export function usePiece(code: Ref<string>) {
  const toast = useToast();
  const { piece, plan, problem, load, version, change, again, forget } = useStoredPiece(code);
  const edit = (make: (piece: Piece) => Piece | null) => {
    if (piece.value) change(make(piece.value));
  };
  async function remove(): Promise<boolean> {
    try {
      await piecesApi.remove(code.value, version());
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      problem.value = error.message;
      return false;
    }
    toast.add({
      severity: 'success',
      summary: `${code.value} is deleted`,
      detail: 'Its batches stay in the log.',
      life: 5000,
    });
    return true;
  }
  useLive().onChange(() => void load());
  onMounted(load);
  watch(code, () => {
    forget();
    void load();
  });
  return {
    piece,
    plan,
    problem,
    again,
    change,
    remove,
    changeLayer: (index: number, patch: Partial<Layer>) => {
      edit((p) => withLayer(p, index, patch));
    },
    addLayer: (productSlug: string) => {
      edit((p) => insertedLayer(p, p.layers.length, productSlug));
    },
    insertLayer: (index: number, productSlug: string) => {
      edit((p) => insertedLayer(p, index, productSlug));
    },
    /** Swaps a layer with the one above or below it; only what is not poured yet moves. */
    moveLayer: (index: number, by: 1 | -1) => {
      edit((p) => movedLayer(p, index, index + by));
    },
    /** Takes a layer from one place to another, as it was dragged. */
    moveLayerTo: (from: number, to: number) => {
      edit((p) => movedLayer(p, from, to));
    },
    removeLayer: (index: number) => {
      edit((p) => withoutLayer(p, index));
    },
  };
}
