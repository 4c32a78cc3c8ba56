import { CoreError } from '@warm-jar/core';

interface Call<Q> {
  readonly id: number;
  readonly question: Q;
}

/** The other end of a call: works on what is asked and answers, a refusal of the core in its own words. */
export function answerCalls<Q, A>(
  work: (question: Q, onProgress: (share: number) => void) => A | Promise<A>,
  otherwise: string,
): void {
  self.onmessage = async ({ data: { id, question } }: MessageEvent<Call<Q>>) => {
    try {
      const result = await work(question, (progress) => {
        self.postMessage({ id, progress });
      });
      self.postMessage({ id, result });
    } catch (error) {
      self.postMessage({ id, failure: error instanceof CoreError ? error.message : otherwise });
    }
  };
}
