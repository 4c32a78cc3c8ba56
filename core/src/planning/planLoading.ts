import type { Plan } from '../formats/plan';
import type { AdditiveKind } from '../formats/vocabulary';
import { loadings } from '../mixing/loading';
import type { PlanAmounts } from './planAmounts';
import type { PlanCase } from './planCase';
import { plannedBatch } from './plannedBatch';

type Line = Plan['loading']['total'];

/** Loading of a plan in total and by kind, and what is left to each limit in grams and in drops of what is used. */
export function plannedLoading(c: PlanCase, amounts: PlanAmounts): Plan['loading'] {
  const found = loadings(c.product, plannedBatch(c, amounts, [], null));
  const card = c.product.additives;
  const dropsPerG = (kind: string | null) =>
    amounts.additives.find((a) => a.of.dropsPerG && (kind === null || (a.of.kind ?? 'other') === kind))?.of.dropsPerG ??
    null;
  const line = (kind: string, pct: number | null, limitPct: number | null, drops: number | null): Line => {
    // By volume a gram is as many mL as its density says; only weight can be told in grams here.
    const leftG =
      limitPct === null || pct === null || card?.basis === 'volume'
        ? null
        : ((limitPct - pct) * amounts.mixedMassG) / 100;
    return {
      kind,
      pct,
      limitPct,
      leftG,
      leftDrops: leftG === null || drops === null ? null : Math.floor(leftG * drops),
    };
  };
  const kinds = [...(found?.kinds ?? new Map<AdditiveKind, { pct: number | null }>())].map(([kind, { pct }]) =>
    line(kind, pct, card?.refused?.includes(kind) ? 0 : (card?.kinds?.[kind] ?? null), dropsPerG(kind)),
  );
  return { total: line('total', found?.total.pct ?? 0, card?.totalMaxPct ?? null, dropsPerG(null)), kinds };
}
