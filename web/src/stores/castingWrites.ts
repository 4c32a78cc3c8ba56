import { castingsOf, valueAt, type Batch, type Casting, type Entry } from '@warm-jar/core';
import { ref, type Ref } from 'vue';
import { ApiProblem } from '../api/client';
import { useEnterNow } from './enterNow';

/** The id that the one casting of a batch gets once something is said of it. */
export const FIRST_ID = 'k1';

/**
 * The fields to be set so that a casting says something. A batch that tells none apart has one; it is written down with
 * the first thing that is said of it.
 */
export function castingSet(batch: Batch, id: string | null, said: Partial<Casting>): Entry['set'] {
  const at = castingsOf(batch).findIndex((k) => k.id === id);
  if (at < 0) return [{ path: 'castings', was: batch.castings ?? null, value: [{ id: id ?? FIRST_ID, ...said }] }];
  return Object.entries(said).map(([key, value]) => {
    const path = `castings[${at}].${key}`;
    return { path, was: valueAt(batch, path) ?? null, value: value ?? null };
  });
}

/** Writes what is said of castings, at once; what was refused is told. */
export function useCastingWrites(code: Ref<string>, batch: Ref<Batch | null>, load: () => Promise<void>) {
  const enterNow = useEnterNow();
  const problem = ref<string | null>(null);
  async function enter(set: Entry['set']): Promise<void> {
    if (set.length === 0) return;
    try {
      await enterNow(code.value, { set });
      problem.value = null;
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      problem.value = error.message;
    }
    await load();
  }
  return {
    problem,
    say: (id: string | null, said: Partial<Casting>) => (batch.value ? enter(castingSet(batch.value, id, said)) : null),
    /** Puts the whole list of castings in the place of the one there. */
    tellApart: (castings: readonly Casting[]) =>
      batch.value ? enter([{ path: 'castings', was: batch.value.castings ?? null, value: castings }]) : null,
  };
}
