import { commonBatch } from '../castings/castingAsBatch';
import { castingsOf } from '../castings/castingList';
import type { Batch, CopiedFrom } from '../formats/batch';
import type { PlanChange, PlanSettings, SymptomDiagnosis } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import type { CauseId, SymptomKind } from '../formats/vocabulary';
import { mixMasses } from '../mixing/batchAmounts';
import { loadings } from '../mixing/loading';
import type { AdditiveKind } from '../formats/vocabulary';
import type { Route } from '../formats/plan';

/** A cause from this share on is worth a change in the next batch. */
export const WORTH_CHANGING = 0.15;

/** A change that may be made to the next batch, for the sake of which cause and how likely that is. */
export interface ProposedChange extends PlanChange {
  readonly cause: CauseId;
  readonly share: number;
  /** One of two that both have to change. */
  readonly needed: boolean;
}

/**
 * What to change next time, the likeliest cause's change first. One at a time teaches most; where the record shows two
 * causes both, the changes of both are proposed, for one alone will not be enough.
 */
export function proposedChanges(
  symptom: Pick<SymptomDiagnosis, 'causes'> & Partial<Pick<SymptomDiagnosis, 'together'>>,
): ProposedChange[] {
  const both = new Set<CauseId>(symptom.together?.ids ?? []);
  return symptom.causes
    .filter((c) => c.share >= WORTH_CHANGING || both.has(c.id))
    .sort((x, y) => Number(both.has(y.id)) - Number(both.has(x.id)) || y.share - x.share)
    .flatMap((c) => c.changes.map((change) => ({ ...change, cause: c.id, share: c.share, needed: both.has(c.id) })));
}

/** A batch as the plan of the next one begins with it: everything kept that was recorded, the changes laid over. */
export interface CopiedPlan {
  readonly productSlug: string;
  readonly mouldCode: string | null;
  /** Further moulds that were filled from the same cup. */
  readonly moreMoulds: readonly string[];
  readonly massG: number | null;
  readonly additives: readonly { readonly name: string; readonly kind: AdditiveKind; readonly pct: number }[];
  readonly route: Route | null;
  readonly settings: PlanSettings;
  readonly copiedFrom: CopiedFrom;
}

function routeOf(batch: Batch): Route | null {
  const method = batch.degas?.method ?? null;
  const pressed = (batch.pressure?.gaugeKPa ?? 0) > 0;
  const vacuum = method === 'vacuum' || method === 'vacuum-then-pressure';
  if (vacuum) return pressed ? 'vacuum-then-pressure' : 'vacuum';
  if (pressed) return 'pressure';
  if (method === 'rest') return 'warm-and-rest';
  return method === 'none' ? 'none' : null;
}

function coloursOf(product: Product, batch: Batch, maxPct: number | undefined): CopiedPlan['additives'] {
  const load = loadings(product, batch);
  const massG = mixMasses(product, batch).totalG;
  if (!massG) return [];
  const scale =
    maxPct !== undefined && load?.total.pct != null && load.total.pct > maxPct ? maxPct / load.total.pct : 1;
  return (batch.additives ?? []).flatMap((a) =>
    a.massG == null || a.kind == null || (a.applied != null && a.applied !== 'mixed')
      ? []
      : [{ name: a.name ?? a.kind, kind: a.kind, pct: Math.round(((100 * a.massG * scale) / massG) * 1000) / 1000 }],
  );
}

const kept = <K extends keyof PlanSettings>(key: K, value: PlanSettings[K] | null): PlanSettings =>
  value == null ? {} : { [key]: value };

const resinC = (resin: Batch['resin']) => resin?.atPourC ?? resin?.temperatureAC ?? null;

const recordedRoom = (room: Batch['room']): PlanSettings => ({
  ...kept('roomC', room?.temperatureC ?? null),
  ...kept('humidityPct', room?.humidityPct ?? null),
});

function recordedSettings({ room, resin, mould, mix, degas, pressure, pour }: Batch): PlanSettings {
  const rested = degas?.method === 'rest' ? degas.minutes : null;
  return {
    ...recordedRoom(room),
    ...kept('resinC', resinC(resin)),
    ...kept('mouldC', mould?.temperatureC ?? null),
    ...kept('stirMin', mix?.stirMin ?? null),
    ...kept('restMin', rested ?? null),
    ...kept('pressureKPa', pressure?.gaugeKPa || null),
    ...kept('depthMm', pour?.depthMm ?? null),
  };
}

/** The moulds that a batch was poured into, each once. */
const mouldsOf = (batch: Batch): string[] => {
  const own = castingsOf(batch).flatMap((k) => k.mould?.code ?? batch.mould?.code ?? []);
  return [...new Set(own.length > 0 ? own : [batch.mould?.code].flatMap((code) => code ?? []))];
};

/**
 * Copies a batch into a plan: everything is kept that was recorded, room and heated mould too, with the changes laid over
 * and remembered, so that the outcome can answer. What is otherwise today is told against it.
 */
export function copiedPlan(
  product: Product,
  batch: Batch,
  changes: readonly (PlanChange & { readonly cause?: string | null })[],
  symptom: SymptomKind | null = null,
): CopiedPlan {
  const [first, ...more] = mouldsOf(batch);
  const changed: PlanSettings = Object.assign({}, ...changes.map((c) => c.set)) as PlanSettings;
  return {
    productSlug: product.slug,
    mouldCode: first ?? null,
    moreMoulds: more,
    massG: mixMasses(product, batch).totalG,
    additives: coloursOf(product, batch, changed.mostLoadingPct),
    route: changed.route ?? routeOf(batch),
    settings: { ...recordedSettings(commonBatch(product, batch)), ...changed },
    copiedFrom: {
      code: batch.code ?? '',
      changes: changes.map((c) => ({ cause: c.cause ?? null, says: c.says })),
      ...(symptom === null ? {} : { symptom }),
    },
  };
}
