import { latestGrade } from '../formats/batchChecks';
import type { Batch } from '../formats/batch';
import type { LimitReading } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import type { Grade } from '../formats/vocabulary';
import { mendMassG } from '../diagnosis/mendChain';
import { catalystPct, mixMasses } from '../mixing/batchAmounts';
import { castLevels } from './castLevels';
import type { Factor } from '../formats/vocabulary';

/**
 * What learning needs of a batch: the level of each factor, what was seen, and
 * how it ended. A level that was not recorded is absent.
 */
export interface CastFacts {
  readonly code: string;
  /** ISO moment; null where nobody wrote it down. */
  readonly startedAt: string | null;
  readonly levels: Readonly<Partial<Record<Factor, string>>>;
  /** Symptoms seen, as `kind` and as `kind/pattern`. */
  readonly seen: readonly string[];
  /** Fields outside their limits, `field:above`; `near` ones as `field:near`. */
  readonly limits: readonly string[];
  /** Whether anybody looked at the piece: only then does nothing seen mean nothing there. */
  readonly looked: boolean;
  readonly grade: Grade | null;
  /** Its id and cavity among the castings of its batch; absent for a batch that tells none apart. */
  readonly casting?: string;
  readonly cavity?: number | null;
  /** Why it is a second or scrap, what it is sold for, and whether it was. */
  readonly reason?: string | null;
  readonly price?: number | null;
  readonly sold?: boolean;
  readonly massG: number | null;
  readonly massAG: number | null;
  readonly massBG: number | null;
  /** Resin that went into mending, and what stayed in the cup, g; null where nobody weighed it. */
  readonly mendG: number;
  readonly leftG: number | null;
  /** Pulls of the mould before this one, where it was written down. */
  readonly pulls: number | null;
  /** The witness cup's own gel: minutes, resin and room °C, mass. */
  readonly gel: {
    readonly minutes: number;
    readonly resinC: number;
    readonly roomC: number;
    readonly massG: number;
    /** Dose of catalyst, where the product takes one and it was recorded. */
    readonly catalystPct?: number;
  } | null;
}

function gelOf(batch: Batch, massG: number | null, dosePct: number | null): CastFacts['gel'] {
  const [minutes, resinC, roomC] = [
    batch.witness?.setMin,
    batch.resin?.atPourC ?? batch.resin?.temperatureAC,
    batch.room?.temperatureC,
  ];
  return minutes != null && minutes > 0 && resinC != null && roomC != null && massG
    ? { minutes, resinC, roomC, massG, ...(dosePct === null ? {} : { catalystPct: dosePct }) }
    : null;
}

/** The facts of one batch. @param readings its limits, where the caller has them */
export function castFacts(product: Product, batch: Batch, readings: readonly LimitReading[]): CastFacts {
  const { massAG, massBG, totalG: massG } = mixMasses(product, batch);
  const symptoms = (batch.checks ?? []).flatMap((c) => c.symptoms ?? []);
  const seen = new Set(symptoms.flatMap((s): string[] => [s.kind, `${s.kind}/${s.pattern}`]));
  return {
    code: batch.code ?? '',
    startedAt: batch.startedAt ?? null,
    levels: castLevels(product, batch, readings, { massAG, massBG }),
    seen: [...seen],
    limits: readings
      .filter((r) => r.state === 'below' || r.state === 'above' || r.state === 'near')
      .map((r) => `${r.field}:${r.state}`),
    looked: (batch.checks ?? []).length > 0,
    grade: latestGrade(batch),
    massG,
    massAG,
    massBG,
    mendG: mendMassG(batch),
    leftG: batch.pour?.leftG ?? null,
    pulls: batch.mould?.pulls ?? null,
    gel: gelOf(batch, massG, catalystPct(product, batch)),
  };
}
