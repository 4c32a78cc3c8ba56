import {
  castingOf,
  dayOf,
  endOfDayIn,
  laidAs,
  startOfDayIn,
  type Batch,
  type DiagnoseRequest,
  type NeighbourKind,
  type SymptomKind,
} from '@warm-jar/core';
import { QueryTypes } from 'sequelize';
import { studioZone } from '../live/studioZone';
import type { Database } from './database';

export type Neighbours = NonNullable<NonNullable<DiagnoseRequest['history']>['neighbours']>;

/** Castings that share something with a batch, against the others of its product. */
export interface NeighbourStore {
  /** @param batch a batch, or one of its castings seen as one */
  readonly neighboursOf: (batch: Batch, kinds: readonly SymptomKind[]) => Promise<Neighbours>;
}

/** Something that castings share: who says so of a row, and what it is called. */
interface Shared {
  readonly by: NeighbourKind;
  readonly value: string;
  readonly where: string;
  readonly replacements: readonly string[];
}

/**
 * How alike castings of one mix are taken to be: an intraclass correlation of a half. The log's own needs all of it;
 * for a hint about one batch this is near enough, and never surer than it should be by much.
 */
const WITHIN_MIX = 0.5;

const column = (by: NeighbourKind, name: string, value: string | null | undefined): Shared[] =>
  value ? [{ by, value, where: `${name} = ?`, replacements: [value] }] : [];

const gearOf = (by: 'scale' | 'vessel' | 'device', value: string | null | undefined): Shared[] =>
  value
    ? [
        {
          by,
          value,
          where: 'b.code IN (SELECT batch_code FROM batch_gear WHERE gear = ? AND kind = ?)',
          replacements: [value, by],
        },
      ]
    : [];

/** The day by the clock on the studio's wall. */
function sameDay(batch: Batch): Shared[] {
  if (!batch.startedAt) return [];
  const zone = studioZone();
  const day = dayOf(batch.startedAt);
  return [
    {
      by: 'day',
      value: day,
      where: 'b.started_at >= ? AND b.started_at < ?',
      replacements: [startOfDayIn(day, zone), endOfDayIn(day, zone)],
    },
  ];
}

function cavityOf(batch: Batch): Shared[] {
  const cavity = castingOf(batch, laidAs(batch))?.mould?.cavity;
  const mould = batch.mould?.code;
  return cavity == null || !mould
    ? []
    : [
        {
          by: 'cavity',
          value: `${cavity} of ${mould}`,
          where: 'c.mould = ? AND c.cavity = ?',
          replacements: [mould, String(cavity)],
        },
      ];
}

const sharedBy = (batch: Batch): Shared[] => [
  ...column('lotA', 'b.lot_a', batch.lotA?.code),
  ...column('lotB', 'b.lot_b', batch.lotB?.code),
  ...column('mould', 'c.mould', batch.mould?.code),
  ...cavityOf(batch),
  ...sameDay(batch),
  ...gearOf('scale', batch.mix?.scale),
  ...[...new Set((batch.readings ?? []).map((r) => r.device))].flatMap((d) => gearOf('device', d)),
  ...gearOf('vessel', batch.pressure?.vessel),
  ...column('person', 'b.by', batch.by),
];

interface Counted {
  readonly n: number;
  readonly effective: number;
  readonly counts: ReadonlyMap<SymptomKind, number>;
}

export function neighbourStore({ sequelize }: Pick<Database, 'sequelize'>): NeighbourStore {
  /** Castings looked at, of one product and of other batches; each mix with as much as it is worth. */
  async function count(
    batch: Batch,
    kinds: readonly SymptomKind[],
    { where, replacements }: Pick<Shared, 'where' | 'replacements'>,
  ): Promise<Counted> {
    // The kinds are words of a closed list.
    const sums = kinds.map((kind, i) => `SUM(instr(c.seen, ' ${kind} ') > 0) AS k${i}`);
    const outer = kinds.map((_, i) => `SUM(k${i}) AS k${i}`);
    const [row] = await sequelize.query<Record<string, number | null>>(
      `SELECT SUM(m) AS n, SUM(m / (1.0 + (m - 1) * ${WITHIN_MIX})) AS effective, ${outer.join(', ')} FROM (
         SELECT COUNT(*) AS m, ${sums.join(', ')} FROM batches b JOIN castings c ON c.batch_code = b.code
         WHERE b.product_slug = ? AND b.code <> ? AND c.looked = 1 AND ${where} GROUP BY b.code)`,
      { type: QueryTypes.SELECT, replacements: [batch.product.slug, batch.code ?? '', ...replacements] },
    );
    return {
      n: row?.['n'] ?? 0,
      effective: row?.['effective'] ?? 0,
      counts: new Map(kinds.map((kind, i) => [kind, row?.[`k${i}`] ?? 0])),
    };
  }

  return {
    neighboursOf: async (batch, kinds) => {
      if (kinds.length === 0) return [];
      const all = await count(batch, kinds, { where: '1 = 1', replacements: [] });
      const found: Neighbours = [];
      for (const shared of sharedBy(batch)) {
        const own = await count(batch, kinds, shared);
        if (own.n === 0) continue;
        const effect = own.effective > 0 ? Math.max(1, own.n / own.effective) : 1;
        for (const symptom of kinds) {
          const k = own.counts.get(symptom) ?? 0;
          found.push({
            by: shared.by,
            symptom,
            with: k,
            of: own.n,
            otherwise: (all.counts.get(symptom) ?? 0) - k,
            ofOthers: all.n - own.n,
            effect,
            value: shared.value,
          });
        }
      }
      return found;
    },
  };
}
