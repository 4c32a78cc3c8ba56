import { minutesAt } from '../cure/equivalentAge';
import { SHEET_TEMPERATURE_C } from '../cure/kineticsDefaults';
import type { CauseId } from '../formats/vocabulary';
import { given, only, type InjectedFault } from './injectedFault';

const coldCure: InjectedFault = ({ chance, card }) =>
  card.family === 'uv-acrylate'
    ? null
    : given(card.room?.minC, (least) => {
        const coldC = least - chance.between(1, 8);
        return only({
          room: { temperatureC: chance.flip(0.7) ? coldC : least + 1 },
          cure: { temperatureC: coldC },
          resin: chance.flip(0.5) ? { temperatureAC: coldC, temperatureBC: coldC, atPourC: coldC + 1 } : {},
        });
      });

/** Looked at, or taken out, before the card's time at that temperature. */
const tooSoon: InjectedFault = ({ chance, card, seen }) => {
  if (card.family === 'uv-acrylate') return null;
  const of = (stated: { minutes?: number | null | undefined; atC?: number | null | undefined } | null | undefined) =>
    stated?.minutes == null
      ? null
      : minutesAt(
          card,
          stated.minutes,
          card.room?.minC != null && card.room.maxC != null
            ? (card.room.minC + card.room.maxC) / 2
            : SHEET_TEMPERATURE_C,
          stated.atC ?? SHEET_TEMPERATURE_C,
        );
  const due = seen.kind === 'tacky' ? of(card.tackFree) : of(card.demould);
  return given(due, (minutes) => {
    const at = minutes * chance.between(0.25, 0.95);
    return {
      patch: { cure: { demouldedMin: seen.kind === 'soft' ? at * chance.between(0.85, 1) : minutes * 1.2 } },
      afterH: Math.max(0.05, at / 60),
    };
  });
};

const overheated: InjectedFault = ({ chance, card }) =>
  given(card.depth?.maxMm, (most) =>
    given(card.exothermMaxC, (limit) =>
      only({
        pour: { depthMm: most * chance.between(1.15, 2.2) },
        ...(chance.flip(0.6) ? { cure: { peakC: limit + chance.between(2, 30) } } : {}),
      }),
    ),
  );

const underExposed: InjectedFault = ({ chance, card }) =>
  card.family !== 'uv-acrylate'
    ? null
    : given(card.light?.doseMJPerCM2, (dose) =>
        chance.flip(0.5)
          ? only({ cure: { lightMJPerCM2: dose * chance.between(0.1, 0.85) } })
          : only({ pour: { depthMm: (card.depth?.maxMm ?? 5) * chance.between(1.1, 2.5) } }),
      );

const amineBlush: InjectedFault = ({ chance, card }) =>
  card.family !== 'epoxy'
    ? null
    : only({
        room: {
          humidityPct: Math.min(98, (card.room?.maxHumidityPct ?? 65) + chance.between(-6, 20)),
          temperatureC: (card.room?.minC ?? 20) + chance.between(-5, 1.5),
        },
      });

const inhibited: InjectedFault = ({ chance, card }) => {
  const stops = card.inhibitedBy ?? [];
  if (stops.length === 0) return null;
  const by = chance.pick(stops);
  return only({ mould: by === 'tin-silicone' && chance.flip(0.6) ? { rubber: by } : { contacts: [by] } });
};

export const FAULTS_OF_CURING: Partial<Record<CauseId, InjectedFault>> = {
  'cold-cure': coldCure,
  'too-soon': tooSoon,
  overheated,
  'under-exposed': underExposed,
  'amine-blush': amineBlush,
  'inhibited-by-contact': inhibited,
  'thin-section': ({ chance, card }) =>
    given(card.thinnestMm, (least) =>
      only({
        mould: {
          thinnestMm: least * chance.between(0.3, 0.95),
          temperatureC: (card.room?.minC ?? 20) - chance.between(0, 4),
        },
      }),
    ),
  'air-inhibition': ({ chance, card }) => {
    if (card.family !== 'polyester' && card.family !== 'uv-acrylate') return null;
    if (card.waxed === true && chance.flip(0.7)) return null;
    return only({ cure: { film: chance.flip(0.04) } });
  },
  'flame-scorch': ({ chance }) =>
    only({ pour: { flame: chance.pick(['torch-long', 'heat-gun-long', 'torch-long', 'torch-brief'] as const) } }),
  'light-yellowed': ({ chance, card }) =>
    card.light?.stable === true || card.family === 'uv-acrylate'
      ? null
      : only({ cure: { lightMJPerCM2: chance.flip(0.8) ? chance.between(500, 4000) : 0 } }),
  shrinkage: ({ chance, card }) =>
    card.family === 'silicone' || card.family === 'mineral-acrylic'
      ? null
      : given(card.depth?.maxMm, (most) => only({ pour: { depthMm: most * chance.between(0.5, 1) } })),
};
