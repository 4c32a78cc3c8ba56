import type { Evidence, LimitReading, SymptomDiagnosis } from '@warm-jar/core';

/** A piece of evidence drawn from its row to its cause. */
export interface Link {
  readonly from: string;
  readonly to: string;
  readonly points: number;
}

/** A row of the record that some cause leans on: a limit reading where there is one, else a recorded word. */
export interface EvidenceRow {
  readonly field: string;
  readonly reading: LimitReading | null;
  readonly evidence: Evidence;
  readonly weight: number;
}

/** Causes with a smaller share are told together, so that the likely ones stay in view. */
export const SHOWN_SHARE = 0.03;
/** The likeliest few are always argued, however small their shares. */
const MIN_CAUSES = 3;
/** More causes than this do not fit beside the record. */
const MAX_CAUSES = 5;

/** The causes worth a card of their own, and what the rest come to together. */
export function shownCauses({ causes }: SymptomDiagnosis) {
  const shown = causes.filter(
    (c, i) => c.id === 'something-else' || i < MIN_CAUSES || (c.share >= SHOWN_SHARE && i < MAX_CAUSES),
  );
  const rest = causes.filter((c) => !shown.includes(c));
  return { shown, rest, restShare: rest.reduce((sum, c) => sum + c.share, 0) };
}

/**
 * The rows that the shown causes' evidence stands on, heaviest first, and the lines between. A row weighs what its
 * strongest evidence for a likely cause weighs.
 */
export function evidenceLinks(
  symptom: SymptomDiagnosis,
  limits: readonly LimitReading[],
): { rows: EvidenceRow[]; links: Link[] } {
  const byField = new Map(limits.map((r) => [r.field, r]));
  const rows = new Map<string, EvidenceRow>();
  const links: Link[] = [];
  for (const cause of shownCauses(symptom).shown) {
    for (const evidence of cause.evidence) {
      const { field, points } = evidence;
      links.push({ from: field, to: cause.id, points });
      const weight = Math.abs(points) * (0.1 + cause.share);
      const known = rows.get(field);
      if (!known || weight > known.weight)
        rows.set(field, { field, reading: byField.get(field) ?? null, evidence, weight });
    }
  }
  return { rows: [...rows.values()].sort((a, b) => b.weight - a.weight), links };
}

/** What a row of the record says to the causes shown, heaviest first: its threads told where none can be drawn. */
export const threadsOf = (links: readonly Link[], field: string): Link[] =>
  links.filter((l) => l.from === field).sort((a, b) => Math.abs(b.points) - Math.abs(a.points));

/** What else stands outside the card: it matters to the work, though not to this fault. */
export function outsideBeside(rows: readonly EvidenceRow[], limits: readonly LimitReading[]): LimitReading[] {
  const drawn = new Set(rows.map((r) => r.field));
  return limits.filter((r) => (r.state === 'below' || r.state === 'above') && !drawn.has(r.field));
}

/** Width of a drawn line, px: what is decisive is thick. */
export const lineWidth = (points: number): number => 1 + Math.min(7, Math.abs(points) * 0.6);
