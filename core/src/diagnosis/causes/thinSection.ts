import { figures } from '../caseFacts';
import type { Cause } from '../cause';
import { recordedWord, underLow } from '../evidence';
import { pointsFor } from '../weight';

/** Colder than the room by this is a mould that takes a thin part's heat away, K. */
const COLD_MOULD_K = 4;

export const thinSection: Cause = {
  id: 'thin-section',
  title: 'Too thin to make its own heat',
  families: ['epoxy', 'polyurethane', 'polyester'],
  prior: {
    soft: { 'thin-sections': 0.55, 'cold-spots': 0.06, 'all-over': 0.04, unspecified: 0.08 },
    tacky: { 'tacky-all-over': 0.03, unspecified: 0.03 },
  },
  familyFactor: { polyester: 1.3 },
  evidence: [
    (f) => underLow(f, 'mould.thinnestMm', { slope: 16, most: 10, least: 5 }),
    ({ batch, cureC, say }) => {
      const mouldC = batch.mould?.temperatureC;
      if (mouldC == null || cureC === null) return null;
      const colder = cureC - mouldC;
      return {
        field: 'mould.temperatureC',
        measured: mouldC,
        limit: cureC,
        unit: '°C',
        points: pointsFor(colder / COLD_MOULD_K - 0.25, { slope: 4, most: 4, least: 2 }),
        says:
          colder > 0.5
            ? `The mould was ${say(colder, 'K')} colder than the air it cured in.`
            : `The mould was as warm as the air it cured in, ${say(mouldC, '°C')}.`,
      };
    },
    (f) =>
      figures(f, 'mould.thinnestMm')
        ? null
        : recordedWord('resin.warming', f.batch.resin?.warming, (w) =>
            w === 'none' ? { points: 0.5, says: 'Nothing was warmed.' } : null,
          ),
  ],
  prevention: ({ product, say }) => [
    product.thinnestMm != null
      ? `Make sections ${say(product.thinnestMm, 'mm')} or thicker, or take a product made for thin ones.`
      : 'Take a product made for thin sections.',
    'Warm the mould before the pour and keep it warm: a thin part makes little heat of its own.',
  ],
  change: ({ product, say }) => {
    const c = product.room?.maxC;
    return c == null ? null : { says: `Mould warmed to ${say(c, '°C')}`, set: { mouldC: c } };
  },
};
