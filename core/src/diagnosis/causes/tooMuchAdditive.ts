import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { overHigh, recordedWord, strongest } from '../evidence';

const WEIGHT = { slope: 14, most: 14, least: 6 };

/** Total and each kind measure the same thing, so the one furthest over speaks for all. */
function loadingEvidence(facts: CaseFacts) {
  const fields = [...facts.readings.keys()].filter((f) => f.startsWith('additives.'));
  return strongest(
    fields.map((field) => {
      const refused = facts.readings.get(field)?.high === 0;
      return refused ? null : overHigh(facts, field, WEIGHT);
    }),
  );
}

function refusedEvidence(facts: CaseFacts) {
  const refused = facts.batch.additives?.find(
    (a) => a.kind != null && facts.product.additives?.refused?.includes(a.kind),
  );
  return recordedWord('additives[].kind', refused?.kind, (kind) => ({
    points: 7,
    says: `${refused?.name ?? kind} is of a kind this card refuses (${kind.replaceAll('-', ' ')}).`,
  }));
}

export const tooMuchAdditive: Cause = {
  id: 'too-much-additive',
  title: 'Too much colour or filler',
  prior: {
    tacky: { liquid: 0.12, 'tacky-all-over': 0.15, 'sticky-spots': 0.04, unspecified: 0.12 },
    soft: { 'all-over': 0.15, 'thin-sections': 0.06, 'deep-under-skin': 0.1, unspecified: 0.12 },
    cracks: { unspecified: 0.06 },
    'colour-rub-off': { unspecified: 0.3 },
  },
  evidence: [loadingEvidence, refusedEvidence],
  prevention: ({ product, say }) => [
    product.additives?.totalMaxPct != null
      ? `Keep all additives together to ${say(product.additives.totalMaxPct, '%')} of A + B, and weigh them or count the drops.`
      : 'The card states no limit for additives: ask its maker, and make a small cup first.',
  ],
  change: ({ product, say }) => {
    const most = product.additives?.totalMaxPct;
    return most == null
      ? null
      : { says: `Colour and filler kept to ${say(most * 0.9, '%')}`, set: { mostLoadingPct: most * 0.9 } };
  },
};
