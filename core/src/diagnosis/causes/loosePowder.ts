import type { Cause } from '../cause';
import { recordedWord, strongest } from '../evidence';

const POWDERS = new Set(['mica', 'powder', 'glitter', 'filler']);

export const loosePowder: Cause = {
  id: 'loose-powder',
  title: 'Loose powder under or on the pour',
  prior: {
    'colour-rub-off': { unspecified: 0.8 },
    delamination: { unspecified: 0.04 },
    tacky: { 'where-it-touched': 0.02 },
  },
  applies: ({ batch }) => batch.additives == null || batch.additives.length > 0,
  evidence: [
    (f) => {
      const dry = (f.batch.additives ?? []).filter((a) => POWDERS.has(a.kind ?? ''));
      if (f.batch.additives == null) return null;
      if (dry.length === 0)
        return {
          field: 'additives[].kind',
          measured: 'none',
          limit: null,
          unit: '',
          points: -8,
          says: 'No powder was used.',
        };
      return strongest(
        dry.map((a, i) =>
          recordedWord(`additives[${i}].applied`, a.applied, (how) =>
            how === 'mixed'
              ? { points: -6, says: `${a.name ?? 'The powder'} was mixed in.` }
              : { points: 8, says: `${a.name ?? 'The powder'} was ${how} on dry.` },
          ),
        ),
      );
    },
  ],
  prevention: () => [
    'Dust thinly and blow off what does not hold, or brush the first resin over it.',
    'Seal rubbing colour under a thin clear coat.',
  ],
};
