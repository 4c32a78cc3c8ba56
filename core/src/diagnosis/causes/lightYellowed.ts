import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { recordedWord, type MaybeEvidence } from '../evidence';

/** Dose at which a resin that is not light-proof has usually changed, mJ/cm²; likelihood only, no card limit. */
const TELLING_DOSE_MJ_PER_CM2 = 800;

/** No dose recorded tells nothing; none given speaks against; more speaks for, levelling off. */
function doseEvidence({ batch, say }: CaseFacts): MaybeEvidence {
  const dose = batch.cure?.lightMJPerCM2;
  if (dose == null) return null;
  return {
    field: 'cure.lightMJPerCM2',
    measured: dose,
    limit: null,
    unit: 'mJ/cm²',
    points: -7 + 16 * (1 - Math.exp(-dose / TELLING_DOSE_MJ_PER_CM2)),
    says: dose === 0 ? 'No lamp and no sun reached it.' : `It took ${say(dose, 'mJ/cm²')} of light.`,
  };
}

export const lightYellowed: Cause = {
  id: 'light-yellowed',
  title: 'Yellowed by lamp or sun',
  prior: { yellowing: { 'surface-exposed-to-light': 0.7, 'whole-part': 0.12, unspecified: 0.16 } },
  evidence: [
    doseEvidence,
    (f) =>
      recordedWord('light.stable', f.product.light?.stable, (stable) =>
        stable
          ? { points: -9, says: 'The card says this product is light-stable.' }
          : { points: 3, says: 'The card says this product is not light-stable.' },
      ),
  ],
  prevention: ({ product }) => [
    product.light?.stable === false
      ? 'Keep lamps off this base: cure light-cured coats elsewhere, or use the two-part resin for fills.'
      : 'Keep lamps and sun off the base.',
  ],
};
