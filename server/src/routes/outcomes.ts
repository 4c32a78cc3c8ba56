import { batchOutcomesSchema, proposedOutcome, type Batch, type ProposedOutcome } from '@warm-jar/core';
import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { endpoint, type Endpoint } from '../http/endpoint';
import { ifThere } from '../http/refusals';

type OutcomeDeps = Pick<AppDeps, 'batches' | 'series' | 'products'>;

/** A batch that may be gone. */
const batchIfThere = async ({ batches }: OutcomeDeps, code: string): Promise<Batch | null> =>
  (await ifThere(batches.get(code)))?.batch ?? null;

/** What one batch says of the one it was copied from, if anything. */
async function proposal({ products }: OutcomeDeps, before: Batch | null, after: Batch | null) {
  if (!before || !after) return [];
  const product = await products.get(before.product.slug, before.product.revision);
  return [proposedOutcome(product, before, after)].flatMap((p): ProposedOutcome[] => (p ? [p] : []));
}

/** What the copies of a batch say of it, and what it says itself of the one it was copied from. */
async function proposalsAbout(deps: OutcomeDeps, batch: Batch): Promise<ProposedOutcome[]> {
  const copies = await deps.series.copiesOf(batch.code ?? '');
  const about = copies.map(async (code) => proposal(deps, batch, await batchIfThere(deps, code)));
  const before = batch.copiedFrom?.code ? await batchIfThere(deps, batch.copiedFrom.code) : null;
  return (await Promise.all([...about, proposal(deps, before, batch)])).flat();
}

export const outcomeRoutes = (deps: OutcomeDeps): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/batches/{code}/outcomes',
      summary: 'What its causes turned out to be, and what a batch copied with one change proposes',
      params: z.object({ code: z.string().min(1).max(200) }),
      answers: { 200: { description: 'Outcomes, and those proposed', schema: batchOutcomesSchema } },
    },
    async ({ params }) => {
      const { batch } = await deps.batches.get(params.code);
      return { status: 200, body: { items: batch.outcome ?? [], proposed: await proposalsAbout(deps, batch) } };
    },
  ),
];
