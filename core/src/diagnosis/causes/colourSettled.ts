import { GRAIN_G_PER_ML } from '../../cure/cupMix';
import { SHEET_DENSITY_G_PER_ML } from '../../cure/kineticsDefaults';
import { mixedViscosityMPaS } from '../../cure/viscosity';
import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { recordedWord, strongest, type MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';

/** How heavy each kind is to its liquid: what dissolves never sinks. */
const SINKS: Partial<Record<string, number>> = {
  mica: 4,
  powder: 4,
  filler: 4,
  glitter: 4,
  'pigment-paste': 1,
  'water-based-paint': -2,
  dye: -10,
  'solvent-ink': -10,
};
/** A grain of ordinary pigment, mm, and gravity, m/s². */
const GRAIN_MM = 0.02;
const GRAVITY = 9.80665;
/** Sunk by this a colour stands plainly lower, mm. */
const PLAIN_MM = 1;

const kindEvidence = ({ batch }: CaseFacts): MaybeEvidence =>
  strongest(
    (batch.additives ?? []).map((a, i) =>
      recordedWord(`additives[${i}].kind`, a.kind, (kind) => {
        const points = SINKS[kind];
        if (points === undefined) return null;
        const what = a.name ?? kind.replaceAll('-', ' ');
        return { points, says: points > 0 ? `${what} is heavier than the resin.` : `${what} stays in it.` };
      }),
    ),
  );

/** How far a grain sinks before gel, by Stokes in the fresh mix. */
function sunkEvidence({ product, batch, working, say }: CaseFacts): MaybeEvidence {
  const resinC = batch.resin?.atPourC ?? working.resinC;
  const gelMin = working.gelMin;
  const viscosity = resinC === null ? null : mixedViscosityMPaS(product, resinC);
  const grains = (batch.additives ?? []).some((a) => (SINKS[a.kind ?? ''] ?? 0) > 1);
  if (viscosity === null || gelMin === null || gelMin <= 0 || !grains) return null;
  const heavierKGPerM3 = (GRAIN_G_PER_ML - (product.mixedDensityGPerML ?? SHEET_DENSITY_G_PER_ML)) * 1000;
  const mPerS = (heavierKGPerM3 * GRAVITY * (GRAIN_MM / 1000) ** 2) / (18 * (viscosity / 1000));
  const sunkMm = mPerS * gelMin * 60 * 1000;
  return {
    field: 'pour.finishedMin',
    measured: gelMin,
    limit: null,
    unit: 'min',
    points: pointsFor(Math.log2(Math.max(sunkMm, 1e-6) / PLAIN_MM), { slope: 2, most: 6, least: 6 }),
    says: `In the ${say(gelMin, 'min')} until gel a grain sinks about ${say(sunkMm, 'mm')} in this resin.`,
  };
}

export const colourSettled: Cause = {
  id: 'colour-settled',
  title: 'Heavy colour sank before it gelled',
  prior: { colour: { settled: 0.85, streaks: 0.06, 'too-weak': 0.15, unspecified: 0.15 } },
  applies: ({ batch }) => batch.additives == null || batch.additives.length > 0,
  evidence: [kindEvidence, sunkEvidence],
  prevention: () => [
    'Pour heavy colour when the mix has begun to thicken, or in thin layers.',
    'Turn the mould until it gels, or take a colour that dissolves.',
  ],
};
