import { QueryTypes } from 'sequelize';
import type { Database } from './database';

/** Batches that were copied one from another. */
export interface SeriesStore {
  /** Codes of each series of two or more, from the first to its last copies; the series worked on latest first. */
  readonly all: () => Promise<string[][]>;
  /** Codes of the batches copied from one, the latest first. */
  readonly copiesOf: (code: string) => Promise<string[]>;
}

/** Series told at once, and copies of one batch. */
const [MOST, MOST_COPIES] = [60, 20];

export function seriesStore({ sequelize }: Database): SeriesStore {
  return {
    copiesOf: async (code) => {
      const rows = await sequelize.query<{ code: string }>(
        `SELECT code FROM batches WHERE copied_from = ? AND code <> ? ORDER BY started_at DESC, code LIMIT ${MOST_COPIES}`,
        { type: QueryTypes.SELECT, replacements: [code, code] },
      );
      return rows.map((r) => r.code);
    },
    all: async () => {
      const links = await sequelize.query<{ code: string; copied: string; at: string | null }>(
        `SELECT b.code AS code, b.copied_from AS copied, b.started_at AS at FROM batches b JOIN batches o ON o.code = b.copied_from WHERE b.copied_from IS NOT NULL AND b.copied_from <> b.code ORDER BY b.started_at, b.code`,
        { type: QueryTypes.SELECT },
      );
      const parent = new Map(links.map((l) => [l.code, l.copied]));
      const rootOf = (code: string): string => {
        const seen = new Set<string>();
        let at = code;
        while (parent.has(at) && !seen.has(at)) {
          seen.add(at);
          at = parent.get(at)!;
        }
        return at;
      };
      const series = new Map<string, { codes: string[]; at: string }>();
      for (const { code, at } of links) {
        const root = rootOf(code);
        const known = series.get(root) ?? { codes: [root], at: '' };
        known.codes.push(code);
        if ((at ?? '') > known.at) known.at = at ?? '';
        series.set(root, known);
      }
      return [...series.values()]
        .sort((a, b) => b.at.localeCompare(a.at))
        .slice(0, MOST)
        .map((s) => s.codes);
    },
  };
}
