import { planRequestSchema, type Plan } from '@warm-jar/core';

/** What the cup that the plan was made with holds, mL; null where the plan names none. */
export function plannedCupML(plan: Plan | null): number | null {
  const request = plan?.['request'] as { gear?: unknown } | undefined;
  const gear = planRequestSchema.shape.gear.safeParse(request?.gear);
  return gear.success ? (gear.data?.cupVolumeML ?? null) : null;
}
