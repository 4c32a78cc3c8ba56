import { onUnmounted, ref, shallowRef, type ShallowRef } from 'vue';
import { ApiProblem } from '../api/client';
import { learn, type Answers, type LearningQuestion } from '../api/learning';

type Answer<Q extends LearningQuestion> = Answers[Q['what']];

/** A question to the whole log, with its progress; a newer question or leaving the view ends it. */
export function useLearning<Q extends LearningQuestion>() {
  const answer = shallowRef<Answer<Q> | null>(null) as ShallowRef<Answer<Q> | null>;
  const problem = ref<string | null>(null);
  /** Share that is done; null while nothing is being worked out. */
  const progress = ref<number | null>(null);
  let current: AbortController | null = null;

  async function ask(question: Q): Promise<void> {
    current?.abort();
    const mine = new AbortController();
    current = mine;
    [progress.value, problem.value] = [0, null];
    try {
      const found = await learn(
        question,
        (share) => {
          if (current === mine) progress.value = share;
        },
        mine.signal,
      );
      if (current === mine) answer.value = found;
    } catch (error) {
      if (current === mine && !mine.signal.aborted)
        problem.value = error instanceof ApiProblem ? error.message : 'The log could not be worked through.';
    } finally {
      if (current === mine) [progress.value, current] = [null, null];
    }
  }
  function stop(): void {
    current?.abort();
    [current, progress.value] = [null, null];
    if (answer.value === null) problem.value = 'Stopped before it was done.';
  }
  onUnmounted(() => {
    current?.abort();
    current = null;
  });
  return { answer, problem, progress, ask, stop };
}
