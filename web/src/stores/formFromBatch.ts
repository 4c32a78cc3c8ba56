import type { CopiedPlan } from '@warm-jar/core';
import { EMPTY_PLAN, type PlanForm } from './planForm';

const tenth = (v: number | undefined) => (v === undefined ? null : Math.round(v * 10) / 10);

/** The plan form of a copied batch: into its mould where the shelf still has it, else by mass; all else is kept. */
export function formFromBatch(copied: CopiedPlan, moulds: ReadonlySet<string>): PlanForm {
  const { settings } = copied;
  const mould = copied.mouldCode !== null && moulds.has(copied.mouldCode) ? copied.mouldCode : null;
  return {
    ...EMPTY_PLAN,
    productSlug: copied.productSlug,
    fill: mould ? 'mould' : 'mass',
    mouldCode: mould,
    moreMoulds: mould ? copied.moreMoulds.filter((code) => moulds.has(code)) : [],
    massG: mould ? null : tenth(copied.massG ?? undefined),
    additives: copied.additives.map((a) => ({ code: null, ...a })),
    route: copied.route,
    roomC: tenth(settings.roomC),
    humidityPct: tenth(settings.humidityPct),
    resinC: tenth(settings.resinC),
    mouldC: tenth(settings.mouldC),
    stirMin: tenth(settings.stirMin),
    restMin: tenth(settings.restMin),
    loadMin: tenth(settings.loadMin),
    pressureKPa: tenth(settings.pressureKPa),
    depthMm: tenth(settings.depthMm),
    copiedFrom: copied.copiedFrom,
  };
}
