import type { Cause } from '../cause';
import { recordedWord, strongest } from '../evidence';

const DENSE: ReadonlySet<string> = new Set(['metal', 'stone']);

export const airUnderInclusion: Cause = {
  id: 'air-under-inclusion',
  title: 'Air caught beneath what was laid in',
  prior: {
    bubbles: { 'around-inclusion': 0.35, 'large-voids': 0.12, 'corners-and-undersides': 0.1, unspecified: 0.05 },
  },
  applies: ({ batch }) => batch.inclusions == null || batch.inclusions.length > 0,
  evidence: [
    (f) =>
      strongest(
        (f.batch.inclusions ?? []).map((x, i) =>
          recordedWord(`inclusions[${i}].laid`, x.laid, (laid) => {
            const what = x.what ?? 'It';
            if (laid === 'after') return { points: 7, says: `${what} was laid in after the pour, onto the resin.` };
            return laid === 'during'
              ? { points: -2, says: `${what} was laid in while it was poured.` }
              : { points: 1, says: `${what} lay in the mould before the pour.` };
          }),
        ),
      ),
    (f) =>
      strongest(
        (f.batch.inclusions ?? []).map((x, i) =>
          recordedWord(`inclusions[${i}].moved`, x.moved, (moved) =>
            moved
              ? { points: -7, says: `${x.what ?? 'It'} was moved under the resin, which lets the air out.` }
              : { points: 4, says: `${x.what ?? 'It'} was not moved under the resin.` },
          ),
        ),
      ),
    (f) =>
      strongest(
        (f.batch.inclusions ?? []).map((x, i) =>
          recordedWord(`inclusions[${i}].kind`, x.kind, (kind) =>
            DENSE.has(kind) ? { points: 3, says: `${x.what ?? 'It'} is dense and lies flat on its air.` } : null,
          ),
        ),
      ),
  ],
  prevention: () => [
    'Lay it in a first thin pour at a slant, and move it under the surface until nothing more comes up.',
    'Wet its underside with resin before it goes in.',
  ],
};
