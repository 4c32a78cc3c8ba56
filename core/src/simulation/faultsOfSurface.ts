import type { CauseId } from '../formats/vocabulary';
import { only, type InjectedFault } from './injectedFault';

const laidIn = (patch: Record<string, unknown>) => ({
  inclusions: [{ what: 'brass turning', kind: 'metal', moisturePct: 0, treated: false, ...patch }],
});
const coloured = (kind: string, massG: number) => ({
  additives: [{ name: `house ${kind}`, kind, massG, applied: 'mixed' }],
});

/** Slips at the mould's edge, at what lies below or is laid in, and with colour that is not dissolved. */
export const FAULTS_OF_SURFACE: Partial<Record<CauseId, InjectedFault>> = {
  'mould-leaked': ({ chance }) =>
    only({
      pour: { levelLostMm: chance.between(0.6, 5) },
      mould: { sealed: chance.flip(0.15) },
    }),
  'soaked-in': ({ chance, seen }) =>
    only({
      ...(seen.pattern === 'around-inclusion' || chance.flip(0.5)
        ? { inclusions: [{ what: 'cork', kind: 'wood', moisturePct: 6, sealed: chance.flip(0.08), treated: false }] }
        : { base: { kind: chance.pick(['wood', 'paper', 'fabric'] as const), sealed: chance.flip(0.08) } }),
    }),
  'layer-contaminated': ({ chance, card }) =>
    only({
      layerBelow: {
        productSlug: card.slug,
        family: card.family,
        hoursSince: ((card.recoat?.fromMin ?? 60) + (card.recoat?.untilMin ?? 600)) / 120,
        sanded: true,
        wiped: chance.flip(0.1),
      },
      pour: { releaseMist: chance.flip(0.5) },
    }),
  'air-under-inclusion': ({ chance }) =>
    only(
      laidIn({
        laid: chance.weighted(['after', 'during', 'before'] as const, (v) => (v === 'after' ? 0.8 : 0.1)),
        moved: chance.flip(0.12),
        kind: chance.pick(['metal', 'stone', 'metal', 'photo'] as const),
      }),
    ),
  'over-filled': ({ chance, card, totalG }) => {
    const mixedML = totalG / (card.mixedDensityGPerML ?? 1.1);
    return only({ mould: { volumeML: mixedML / chance.between(1.02, 1.3) }, pour: { leftG: 0 } });
  },
  'colour-not-wetted': ({ chance, totalG }) =>
    only({
      ...coloured(chance.pick(['powder', 'mica', 'water-based-paint', 'powder'] as const), totalG * 0.01),
      mix: { stirAfterColourMin: chance.between(0.1, 1.2) },
    }),
  'colour-settled': ({ chance, totalG }) =>
    only({
      ...coloured(chance.pick(['mica', 'powder', 'filler', 'glitter'] as const), totalG * 0.015),
      mix: { stirAfterColourMin: chance.between(1.5, 3) },
    }),
};
