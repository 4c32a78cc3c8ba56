import { arrheniusFactor } from '../../cure/arrhenius';
import { familyKinetics } from '../../cure/kineticsDefaults';
import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { bandWidth, strongest, underLow, type MaybeEvidence } from '../evidence';
import { hardnessTrend } from '../hardnessTrend';
import { pointsFor } from '../weight';

/** Width of the working range taken for the margin where a card states only one side, K. */
const USUAL_BAND_K = 8;

/** Far enough inside the card's band to stay there, K. */
const SAFELY_INSIDE_K = 2;

/** Room while mixing and room while curing measure the same cold; the colder of the two speaks. */
function roomEvidence(facts: CaseFacts) {
  const weight = { slope: 22, most: 13, least: 8 };
  const fields = facts.batch.cure?.temperatureC != null ? ['cure.temperatureC'] : ['room.temperatureC'];
  return strongest(fields.map((field) => underLow(facts, field, weight, bandWidth(facts, field, USUAL_BAND_K))));
}

function resinEvidence(facts: CaseFacts) {
  const weight = { slope: 8, most: 6, least: 3 };
  return strongest(
    ['resin.temperatureAC', 'resin.temperatureBC', 'resin.atPourC'].map((field) =>
      underLow(facts, field, weight, bandWidth(facts, field, USUAL_BAND_K)),
    ),
  );
}

/** Age lost to a room colder than the card's coldest: what `too-soon` leaves out of its count. */
function lostAgeEvidence({ product, cureC, say, seen }: CaseFacts): MaybeEvidence {
  const kinetics = familyKinetics(product.family);
  const coldestC = product.room?.minC;
  if (!kinetics || cureC === null || coldestC == null || cureC >= coldestC) return null;
  // A look at once has lost no age yet.
  if (seen.afterH <= 0) return null;
  const slower = 1 / arrheniusFactor(kinetics.activationKJPerMol, cureC, coldestC);
  return {
    field: 'cure.temperatureC',
    measured: cureC,
    limit: coldestC,
    unit: '°C',
    points: pointsFor(Math.log(slower) * Math.min(1, seen.afterH), { slope: 10, most: 6, least: 0 }),
    says: `At ${say(cureC, '°C')} it cures ${say(slower, '')} times slower than at the card's coldest room, so ${say(seen.afterH, 'h')} count as ${say(seen.afterH / slower, 'h')}.`,
  };
}

export const coldCure: Cause = {
  id: 'cold-cure',
  title: 'Cured too cold',
  families: ['epoxy', 'polyurethane', 'polyester', 'mineral-acrylic', 'silicone'],
  prior: {
    tacky: { liquid: 0.05, 'tacky-all-over': 0.2, 'greasy-film': 0.05, unspecified: 0.15 },
    soft: { 'all-over': 0.22, 'thin-sections': 0.2, 'cold-spots': 0.6, 'deep-under-skin': 0.03, unspecified: 0.2 },
    mark: { fingerprint: 0.12 },
  },
  // Epoxies are slowed most by cold, urethanes make their own heat.
  familyFactor: { epoxy: 1.2, polyurethane: 0.9, 'mineral-acrylic': 0.7 },
  evidence: [roomEvidence, resinEvidence, lostAgeEvidence, (f) => hardnessTrend(f, { rising: 3, flat: -6 })],
  prevention: ({ product, say }) => [
    product.room?.minC != null
      ? `Keep the room at ${say(product.room.minC, '°C')} or more until it is hard, or cure in the hot box.`
      : 'Keep the room warm until it is hard, or cure in the hot box.',
    'Warm the bottles and the mould before mixing; a cold bench takes heat out of a thin part.',
  ],
  change: ({ product, say }) => {
    const c = product.room?.minC;
    return c == null
      ? null
      : {
          says: `Room and mould at ${say(c + SAFELY_INSIDE_K, '°C')}`,
          set: { roomC: c + SAFELY_INSIDE_K, mouldC: c + SAFELY_INSIDE_K },
        };
  },
};
