import { mergeDocuments, withValue, type Merged } from '@warm-jar/core';
import { ref, shallowRef, type Ref } from 'vue';
import { useRouter } from 'vue-router';
import { ApiProblem, api, type Versioned } from '../../api/client';
import { useDraft, type Draft } from '../../stores/draft';

/** What somebody else stored while this draft was being typed, and what the two come to together. */
export interface Meeting {
  readonly code: string;
  readonly stored: Versioned;
  readonly merged: Merged;
  /** Who stored it, and when; null where the history does not say. */
  readonly by: string | null;
  readonly at: string | null;
}

const TOGETHER = 'Both changes are put together here. Look, and save once more.';

/** Puts a draft together with what was stored in between: asked about in words, never written over unasked. */
export function useMerging(
  code: string | null,
  draft: Ref<Draft | null>,
  problem: Ref<string | null>,
  leave: () => void,
) {
  const drafts = useDraft();
  const router = useRouter();
  const meeting = shallowRef<Meeting | null>(null);
  /** Fields that both changed and that are to stand as mine; the others stand as theirs. */
  const asMine = ref<readonly string[]>([]);

  async function meet(): Promise<void> {
    const mine = draft.value;
    if (code === null || !mine) return;
    try {
      const [stored, history] = [await api.batch(code), await api.history(code)];
      // A draft that does not know what it began with asks about every field in which the two differ.
      const merged = mergeDocuments(mine.base ?? {}, mine.document, { ...stored.batch });
      const last = history.find((h) => h.version === stored.version);
      asMine.value = [];
      meeting.value = { code, stored, merged, by: last?.by ?? null, at: last?.at ?? null };
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      problem.value = error.message;
    }
  }
  function putTogether(): void {
    const met = meeting.value;
    if (!met) return;
    const chosen = met.merged.conflicts.filter((c) => asMine.value.includes(c.path));
    const document = chosen.reduce((d, c) => withValue(d, c.path, c.mine), met.merged.document);
    drafts.rebase(met.code, met.stored, document);
    meeting.value = null;
    problem.value = TOGETHER;
  }
  function dropMine(): void {
    if (!meeting.value) return;
    const { code: gone } = meeting.value;
    meeting.value = null;
    leave();
    drafts.discard(gone);
    void router.push({ name: 'batch', params: { code: gone } });
  }
  return { meeting, asMine, meet, putTogether, dropMine };
}
