import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { recordedWord, strongest, type MaybeEvidence } from '../evidence';

/** Contacts and rubbers of the record that this product's card names as stopping its cure. */
function stoppers({ product, batch }: CaseFacts): string[] {
  const named = (product.inhibitedBy ?? []) as readonly string[];
  const met = [batch.mould?.rubber, ...(batch.mould?.contacts ?? [])]
    .filter((c): c is string => Boolean(c))
    .map((c) => c.toLowerCase());
  return named.filter((n) => met.some((m) => m === n || m.includes(n.replace('-', ' ')) || m.includes(n)));
}

function contactEvidence(facts: CaseFacts): MaybeEvidence {
  const { batch, product } = facts;
  if (batch.mould?.rubber == null && batch.mould?.contacts == null) return null;
  const found = stoppers(facts);
  const touched = [batch.mould?.rubber, ...(batch.mould?.contacts ?? [])].filter(Boolean).join(', ');
  if (found.length > 0)
    return {
      field: 'mould.contacts',
      measured: found.join(', '),
      limit: null,
      unit: '',
      points: 10,
      says: `${found.join(', ').replaceAll('-', ' ')} touched it, and the card says that stops its cure.`,
    };
  return product.inhibitedBy == null || touched === ''
    ? null
    : {
        field: 'mould.contacts',
        measured: touched,
        limit: null,
        unit: '',
        points: -4,
        says: `Nothing that the card names as stopping its cure touched it (${touched.replaceAll('-', ' ')}).`,
      };
}

export const inhibitedByContact: Cause = {
  id: 'inhibited-by-contact',
  title: 'Something it touched stopped its cure',
  prior: {
    tacky: { 'where-it-touched': 0.85, 'sticky-spots': 0.05, 'tacky-all-over': 0.03, unspecified: 0.05 },
    soft: { unspecified: 0.01 },
  },
  familyFactor: { silicone: 1.5 },
  evidence: [
    (f) => strongest([contactEvidence(f)]),
    (f) =>
      recordedWord('mould.clean', f.batch.mould?.clean, (clean) =>
        clean ? { points: -1, says: 'The mould was clean.' } : { points: 2, says: 'The mould was not clean.' },
      ),
  ],
  prevention: ({ product }) => [
    product.inhibitedBy?.length
      ? `Keep ${product.inhibitedBy.map((i) => i.replaceAll('-', ' ')).join(', ')} away from it, or seal them first.`
      : 'Try a dab on the mould before the pour.',
    'A patch test on the hidden side of the mould costs a gram.',
  ],
};
