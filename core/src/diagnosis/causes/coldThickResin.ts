import { mixedViscosityMPaS } from '../../cure/viscosity';
import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { bandWidth, figures, pressedAwayEvidence } from './airShared';
import { strongest, underLow, type MaybeEvidence } from '../evidence';

const USUAL_BAND_K = 10;

function withViscosity(facts: CaseFacts, piece: MaybeEvidence): MaybeEvidence {
  if (!piece || typeof piece.measured !== 'number' || typeof piece.limit !== 'number') return piece;
  const [now, atLimit] = [
    mixedViscosityMPaS(facts.product, piece.measured),
    mixedViscosityMPaS(facts.product, piece.limit),
  ];
  if (now === null || atLimit === null) return piece;
  return {
    ...piece,
    says: `${piece.says} It is ${facts.say(now, 'mPa·s')} there, ${facts.say(now / atLimit, '')} times what it is at the card's least.`,
  };
}

/** The mix at pour is what the air rises through; the bottles only speak where the mix was not read. */
function resinEvidence(facts: CaseFacts): MaybeEvidence {
  const fields = figures(facts, 'resin.atPourC') ? ['resin.atPourC'] : ['resin.temperatureAC', 'resin.temperatureBC'];
  const weight = { slope: 11, most: 11, least: 7 };
  return withViscosity(
    facts,
    strongest(fields.map((f) => underLow(facts, f, weight, bandWidth(facts, f, USUAL_BAND_K) / 2))),
  );
}

export const coldThickResin: Cause = {
  id: 'cold-thick-resin',
  title: 'Resin too cold and thick for air to leave',
  prior: {
    bubbles: {
      'micro-throughout': 0.14,
      'large-voids': 0.06,
      'top-foam': 0.1,
      'corners-and-undersides': 0.12,
      unspecified: 0.12,
    },
  },
  evidence: [resinEvidence, pressedAwayEvidence],
  prevention: ({ product, say }) => [
    product.resin?.minC != null
      ? `Warm both bottles to ${say(product.resin.minC, '°C')} or more before mixing (at most ${product.resin.maxC != null ? say(product.resin.maxC, '°C') : 'what the card allows'}); warmer is thinner but sets sooner.`
      : 'Warm both bottles before mixing; warmer is thinner but sets sooner.',
  ],
  change: ({ product, say }) => {
    const c = product.resin?.minC;
    return c == null
      ? null
      : {
          says: `Resin warmed to ${say(Math.min(c + 3, product.resin?.maxC ?? Infinity), '°C')}`,
          set: { resinC: Math.min(c + 3, product.resin?.maxC ?? Infinity) },
        };
  },
};
