import type { StudioRates } from '@warm-jar/core';
import { QueryTypes } from 'sequelize';
import type { LearningRunner } from '../work/learningRunner';
import type { Database } from './database';
import type { FactStore } from './factStore';

/** How often each cause turned out to be the one in this studio. */
export interface RateStore {
  /** @param without a batch whose own outcome is left out: what is argued about it must not rest on it */
  readonly rates: (without?: string) => Promise<StudioRates>;
}

/** Answers remembered, each for the settled faults that it was worked out from. */
const MAX_REMEMBERED = 16;

export function rateStore(
  { sequelize }: Pick<Database, 'sequelize'>,
  facts: Pick<FactStore, 'fill'>,
  learner: LearningRunner,
): RateStore {
  const known = new Map<string, Promise<StudioRates>>();

  async function settled(without: string | undefined): Promise<string> {
    await facts.fill();
    const rows = await sequelize.query<{ settled: string | null }>(
      `SELECT json_extract(facts, '$.settled') AS settled FROM batches
       WHERE code IN (SELECT batch_code FROM outcomes) AND code <> ? ORDER BY code`,
      { type: QueryTypes.SELECT, replacements: [without ?? ''] },
    );
    return rows.flatMap((r) => (r.settled === null ? [] : [r.settled])).join('\n');
  }

  return {
    rates: async (without) => {
      // The faults themselves are the key: an edit, a deletion or a restore makes them others.
      const cases = await settled(without);
      const remembered = known.get(cases);
      if (remembered) return remembered;
      if (known.size >= MAX_REMEMBERED) known.delete(known.keys().next().value!);
      const answer = learner.rates({ what: 'rates', cases });
      known.set(cases, answer);
      answer.catch(() => known.delete(cases));
      return answer;
    },
  };
}
