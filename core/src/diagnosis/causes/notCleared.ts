import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { recordedWord, underLow, type MaybeEvidence } from '../evidence';
import { smallestBubbleLeft } from '../smallestBubbleLeft';
import { choseOther, pressedAwayEvidence } from './airShared';
import { pointsFor } from '../weight';

/** Diameter at which a single bubble in clear resin begins to catch the eye, mm; studio judgement. */
const VISIBLE_MM = 0.3;

/** The smallest bubble that could have risen out in the time really given. */
function riseEvidence(facts: CaseFacts): MaybeEvidence {
  const left = smallestBubbleLeft(facts);
  if (left === null || facts.batch.degas?.method === 'vacuum' || facts.batch.degas?.method === 'vacuum-then-pressure')
    return null;
  const ratio = Math.min(left.diameterMm / VISIBLE_MM, 1e6);
  return {
    field: 'pour.depthMm',
    measured: left.depthMm,
    limit: null,
    unit: 'mm',
    points: pointsFor(Math.log2(Math.max(ratio, 1e-6)), { slope: 3, most: 8, least: 7 }),
    says: Number.isFinite(left.diameterMm)
      ? `In the ${facts.say(left.minutes, 'min')} it had, only bubbles over ${facts.say(left.diameterMm, 'mm')} rise out of ${facts.say(left.depthMm, 'mm')} of this resin; ${facts.say(VISIBLE_MM, 'mm')} can be seen.`
      : `It had no time to let bubbles rise out of ${facts.say(left.depthMm, 'mm')}.`,
  };
}

/** Doing nothing speaks for it, unless nothing is what the card asks. */
const methodEvidence = (facts: CaseFacts) =>
  recordedWord('degas.method', facts.batch.degas?.method, (method) => {
    if (method !== 'none') return { points: -2, says: `The air was given a chance: ${method.replaceAll('-', ' ')}.` };
    if (choseOther(facts, 'vacuum'))
      return { points: -1, says: 'It was pressed, which the card gives as the other way to clear the air.' };
    return facts.product.degas?.method === 'none'
      ? { points: -1, says: 'Nothing was done to clear the air, and the card asks for nothing.' }
      : { points: 3, says: 'Nothing was done to clear the air: no rest, no vacuum.' };
  });

export const notCleared: Cause = {
  id: 'not-cleared',
  title: 'Air not cleared before it set',
  prior: {
    bubbles: {
      'micro-throughout': 0.23,
      'top-foam': 0.25,
      'corners-and-undersides': 0.06,
      'large-voids': 0.05,
      unspecified: 0.2,
    },
  },
  evidence: [
    riseEvidence,
    (f) => (choseOther(f, 'vacuum') ? null : underLow(f, 'degas.minutes', { slope: 10, most: 8, least: 5 })),
    methodEvidence,
    pressedAwayEvidence,
  ],
  prevention: ({ product, say }) => {
    const { method, minutes, vacuumKPaAbs } = product.degas ?? {};
    if (method === 'vacuum' || method === 'vacuum-or-pressure') {
      return [
        `Degas under vacuum${vacuumKPaAbs != null ? ` at ${say(vacuumKPaAbs, 'kPa')} absolute or less` : ''}${minutes != null ? ` for ${say(minutes, 'min')}` : ''}, in a cup with four times the head-room, or press it.`,
      ];
    }
    return [
      `Let the mix rest${product.mix?.restMin ? ` ${say(product.mix.restMin, 'min')}` : ''} before the pour, pour thin and slow, and come back to break what rises.`,
    ];
  },
  change: ({ product, batch, say }) => {
    const vacuum = product.degas?.method === 'vacuum' || product.degas?.method === 'vacuum-or-pressure';
    if (vacuum) {
      const route = product.pressure?.minKPa == null ? 'vacuum' : 'vacuum-then-pressure';
      return { says: `Air cleared by ${route.replaceAll('-', ' ')}`, set: { route } };
    }
    const restMin = Math.max(product.mix?.restMin ?? 0, (batch.degas?.minutes ?? 0) * 2);
    return restMin > 0
      ? { says: `Rest ${say(restMin, 'min')} before the pour`, set: { restMin, route: 'warm-and-rest' } }
      : null;
  },
};
