import type { CauseId } from '../formats/vocabulary';
import { given, only, type InjectedFault } from './injectedFault';

const atPour = (card: Parameters<InjectedFault>[0]['card']) => card.resin?.minC;

function methodLeft(asked: string | null | undefined, chance: Parameters<InjectedFault>[0]['chance']) {
  if (asked === 'rest') return 'rest';
  return chance.flip(0.7) ? 'none' : 'vacuum';
}

const notCleared: InjectedFault = ({ chance, card }) => {
  const none = { pressure: { gaugeKPa: 0, startedMin: null, reachedMin: null, releasedMin: null } };
  const minutes = (card.degas?.minutes ?? card.mix?.restMin ?? 0) * chance.between(0, 0.4);
  const method = methodLeft(card.degas?.method, chance);
  const unpressed = card.pressure?.minKPa == null || chance.flip(0.7);
  return only({
    ...(unpressed ? none : {}),
    degas: { method, minutes: method === 'none' ? 0 : minutes },
    pour: { depthMm: (card.depth?.maxMm ?? 20) * chance.between(0.5, 1) },
  });
};

const cold: InjectedFault = ({ chance, card }) =>
  given(atPour(card), (least) => {
    const c = least - chance.between(1, 6);
    return only({
      resin: { temperatureAC: c, temperatureBC: c + chance.between(-0.5, 0.5), atPourC: c + chance.between(0, 1.5) },
    });
  });

const late: InjectedFault = ({ chance, card, gelMin }) =>
  card.pressure?.minKPa == null
    ? null
    : given(gelMin, (gel) => {
        const reached = gel * chance.between(0.95, 1.5);
        return only({
          pressure: {
            startedMin: Math.min(reached, gel * 0.9),
            reachedMin: reached,
            releasedMin: reached + (card.pressure?.holdMin ?? 60) * 1.1,
          },
        });
      });

/** Something cast in, sound but for what the fault does to it. */
const OAK = { what: 'oak offcut', kind: 'wood', moisturePct: 6, sealed: true, treated: false } as const;
const inclusion = (patch: Record<string, unknown>) => ({ inclusions: [{ ...OAK, ...patch }] });

export const FAULTS_OF_MOULD: Partial<Record<CauseId, InjectedFault>> = {
  'not-cleared': notCleared,
  'cold-thick-resin': cold,
  'pressure-late': late,
  'pressure-low': ({ chance, card }) =>
    given(card.pressure?.minKPa, (least) => only({ pressure: { gaugeKPa: least * chance.between(0.3, 0.92) } })),
  'pressure-let-go': ({ chance, card, gelMin }) =>
    card.pressure?.minKPa == null
      ? null
      : given(gelMin, (gel) => {
          const reached = gel * 0.7;
          return only({
            pressure: {
              reachedMin: reached,
              startedMin: reached - 1,
              releasedMin: reached + (card.pressure?.holdMin ?? 60) * chance.between(0.02, 0.6),
            },
          });
        }),
  'wet-inclusion': ({ chance, card }) =>
    only(
      inclusion({
        kind: chance.pick(['wood', 'plant', 'paper'] as const),
        moisturePct: (card.inclusionMaxMoisturePct ?? 10) + chance.between(-2, 9),
        sealed: chance.flip(0.2),
      }),
    ),
  'inclusion-reaction': ({ chance, card }) => ({
    patch: inclusion({ treated: chance.flip(0.7) }),
    ...(chance.flip(0.4)
      ? { history: { pairs: [{ inclusion: OAK.what, productSlug: card.slug, outcome: 'bad' as const }] } }
      : {}),
    afterH: chance.flip(0.5) ? 1.5 : 48,
  }),
  'mould-not-degassed': ({ chance, card }) =>
    only({
      mould: { degassed: chance.flip(0.06) },
      ...(card.pressure?.maxKPa != null && chance.flip(0.8)
        ? { pressure: { gaugeKPa: card.pressure.minKPa ?? 300 } }
        : {}),
    }),
  'trapped-by-shape': ({ chance }) =>
    only({ pour: { tilted: chance.flip(0.25), fast: chance.flip(0.55), releaseMist: chance.flip(0.3) } }),
  'mould-flaw': ({ chance }) => ({
    patch: { mould: { pulls: Math.round(chance.between(15, 90)), clean: chance.flip(0.7) } },
    ...(chance.flip(0.6) ? { history: { sameSpot: { times: Math.round(chance.between(2, 5)), pulls: 6 } } } : {}),
  }),
  'tin-mould': ({ card }) =>
    card.family !== 'polyurethane' || card.clarity === 'opaque' ? null : only({ mould: { rubber: 'tin-silicone' } }),
  'surface-texture': ({ chance }) =>
    only({ mould: { finish: chance.pick(['textured', 'matt', 'matt', 'satin'] as const) } }),
  'wet-layer-below': ({ chance }) => ({
    patch: {
      layerBelow: {
        family: 'mineral-acrylic',
        productSlug: 'house-chalk',
        hoursSince: chance.between(4, 40),
        massLossPct: chance.flip(0.6) ? chance.between(0.6, 4) : null,
        sanded: true,
      },
    },
    afterH: chance.between(40, 200),
  }),
  'bond-window-missed': ({ chance, card }) =>
    given(card.recoat?.untilMin, (until) =>
      only({
        layerBelow: {
          productSlug: card.slug,
          family: card.family,
          hoursSince: (until / 60) * chance.between(1.1, 5),
          sanded: chance.flip(0.08),
        },
      }),
    ),
  'poor-key': ({ chance, card }) =>
    only({
      layerBelow: {
        ...(card.family === 'mineral-acrylic'
          ? { family: chance.pick(['epoxy', 'polyester'] as const) }
          : { family: 'silicone' }),
        hoursSince: chance.between(5, 60),
        sanded: chance.flip(0.4),
      },
    }),
};
