import { castingsOf, planRequestSchema, type Batch, type Casting, type Mould } from '@warm-jar/core';

/** A cavity that may be poured: which mould, which of its cavities, and how many of it were planned. */
export interface CavityToPour {
  readonly mould: string;
  readonly cavity: number;
  readonly depthMm: number | null;
}

/** The moulds of a plan with how many of their cavities it fills; the batch's own where the plan names none. */
function plannedMoulds(batch: Batch): { code: string; cavities: number | null }[] {
  const request = planRequestSchema.shape.want.safeParse(
    (batch.plan?.['request'] as { want?: unknown } | undefined)?.want,
  );
  const named = request.success ? (request.data.moulds ?? []) : [];
  const moulds = named.flatMap((m) => (m.code == null ? [] : [{ code: m.code, cavities: m.cavities ?? null }]));
  if (moulds.length > 0) return moulds;
  return batch.mould?.code == null ? [] : [{ code: batch.mould.code, cavities: null }];
}

/** The cavities that this batch may be poured into, by its plan and the shelf. */
export function cavitiesToPour(batch: Batch, moulds: readonly Mould[]): CavityToPour[] {
  return plannedMoulds(batch).flatMap(({ code, cavities }) => {
    const known = moulds.find((m) => m.code === code)?.cavities ?? [];
    const count = Math.min(200, cavities ?? known.length);
    return Array.from({ length: count }, (_, i) => ({
      mould: code,
      cavity: i + 1,
      depthMm: known[i]?.depthMm ?? known[0]?.depthMm ?? null,
    }));
  });
}

/** The casting that came from a cavity, with its place in the list; null where that was not poured yet. */
export function pouredFrom(batch: Batch, { mould, cavity }: CavityToPour): { casting: Casting; at: number } | null {
  const at = castingsOf(batch).findIndex(
    (k) => (k.mould?.code ?? batch.mould?.code) === mould && k.mould?.cavity === cavity,
  );
  const casting = castingsOf(batch)[at];
  return casting ? { casting, at } : null;
}
