import type { Plan } from '@warm-jar/core';

/** A step, a mark or the spare time on the bar, in shares of its width. */
export interface BarPart {
  readonly what: string;
  readonly from: number;
  readonly width: number;
}
export interface BudgetBar {
  readonly steps: readonly BarPart[];
  readonly spare: BarPart | null;
  /** Where pot life ends and where it gels; null where that lies beyond the bar, or is not known. */
  readonly potLife: number | null;
  readonly gel: number | null;
  /** Minutes the whole bar stands for. */
  readonly minutes: number;
  /** Set where pot life goes on beyond the bar. */
  readonly cut: boolean;
}

/** A bar never shows more than this many times the work: a pot life of hours would squeeze it to nothing. */
const MAX_TIMES = 3;

/** Lays a plan's steps against its pot life. */
export function budgetBar(plan: Pick<Plan, 'timeline' | 'potLifeMin' | 'gelMin'>): BudgetBar {
  const end = plan.timeline.at(-1)?.toMin ?? 0;
  const wanted = Math.max(end, plan.potLifeMin ?? 0, Math.min(plan.gelMin ?? 0, (plan.potLifeMin ?? 0) * 1.6)) * 1.04;
  const minutes = Math.max(Math.min(wanted, end * MAX_TIMES), end * 1.04, 0.1);
  const share = (m: number) => m / minutes;
  const within = (m: number | null) => (m === null || m > minutes ? null : share(m));
  const cut = plan.potLifeMin !== null && plan.potLifeMin > minutes;
  const until = plan.potLifeMin === null ? null : Math.min(plan.potLifeMin, minutes);
  return {
    steps: plan.timeline.map((s) => ({ what: s.what, from: share(s.fromMin), width: share(s.toMin - s.fromMin) })),
    spare: until !== null && until > end ? { what: 'spare', from: share(end), width: share(until - end) } : null,
    potLife: within(plan.potLifeMin),
    gel: within(plan.gelMin),
    minutes,
    cut,
  };
}
