import { addMonths } from '../units/days';
import { partsForTotal } from '../mixing/partsForTotal';
import type { Product } from '../formats/product';
import type { CauseId } from '../formats/vocabulary';
import { given, only, type InjectedFault, type FaultScene } from './injectedFault';

const hasRatio = (card: Product) => (card.ratio.byWeight ?? card.ratio.powder) != null;

const ratioOff: InjectedFault = ({ chance, card, totalG }) => {
  if (!hasRatio(card)) return null;
  const { massAG, massBG } = partsForTotal(card, totalG);
  // A scale too coarse, or a cup misread, leaves the intended figures in the record.
  if (chance.flip(0.25))
    return only({ mix: { scaleStepG: chance.flip(0.6) ? Math.max(1, Math.round(totalG * 0.06)) : 1 } });
  if (chance.flip(0.25) && card.ratio.byVolume)
    return only({ mix: { amountA: massAG, amountB: (massAG * card.ratio.byVolume.b) / card.ratio.byVolume.a } });
  const tolerance = card.ratio.tolerancePct ?? 5;
  const errorPct = tolerance * chance.between(1.2, 6) * (chance.flip(0.6) ? 1 : -1);
  return only({ mix: { amountA: massAG, amountB: massBG * Math.max(0, 1 + errorPct / 100) } });
};

const underMixed: InjectedFault = ({ chance, card }) =>
  card.family === 'uv-acrylate'
    ? null
    : given(card.mix?.minMin || null, (least) =>
        only({
          mix: {
            stirMin: least * (chance.flip(0.75) ? chance.between(0.3, 0.85) : chance.between(1, 1.4)),
            scrapedWalls: chance.flip(0.2),
            secondCup: false,
          },
        }),
      );

const tooMuchAdditive: InjectedFault = ({ chance, card, totalG }) =>
  given(card.additives?.totalMaxPct, (most) => {
    const kind = chance.pick(['pigment-paste', 'dye', 'mica'] as const);
    if (chance.flip(0.2)) return only({ additives: [{ name: kind, kind, massG: null, drops: 20, applied: 'mixed' }] });
    return only({
      additives: [{ name: kind, kind, massG: (totalG * most * chance.between(1.15, 3)) / 100, applied: 'mixed' }],
    });
  });

const months = (scene: FaultScene, over: number) =>
  addMonths(scene.startedAt.slice(0, 10), -Math.ceil((scene.card.shelf?.openedMonths ?? 6) + over));

const oldLot: InjectedFault = (scene) => {
  const { chance } = scene;
  const lot = {
    openedOn: months(scene, chance.between(-1, 9)),
    colour: chance.pick(['clear', 'pale', 'amber', 'cloudy'] as const),
  };
  return only(chance.flip(0.5) ? { lotA: lot } : { lotB: lot });
};

const agedHardener: InjectedFault = (scene) =>
  scene.card.family !== 'epoxy' && scene.card.family !== 'polyurethane'
    ? null
    : only({
        lotB: {
          openedOn: months(scene, scene.chance.between(-2, 9)),
          colour: scene.chance.pick(['amber', 'amber', 'brown', 'pale'] as const),
        },
      });

const dose =
  (low: number, high: number): InjectedFault =>
  ({ chance, card, totalG }) =>
    given(card.ratio.catalyst, ({ minPct, maxPct }) => {
      const edge = low < 1 ? minPct : maxPct;
      return given(edge, (pct) =>
        only({ mix: { amountA: totalG, amountB: (totalG * pct * chance.between(low, high)) / 100 } }),
      );
    });

const whipped: InjectedFault = ({ chance }) =>
  only({
    mix: {
      vigour: chance.weighted(
        ['whipped', 'brisk', 'gentle'] as const,
        (v) => ({ whipped: 0.6, brisk: 0.25, gentle: 0.15 })[v],
      ),
      shaken: chance.flip(0.5),
    },
  });

const dampResin: InjectedFault = ({ chance, card, totalG }) => {
  if (card.family !== 'polyurethane') return null;
  const how = chance.unit();
  if (how < 0.55)
    return only({
      room: { humidityPct: Math.min(98, (card.room?.maxHumidityPct ?? 60) + chance.between(1, 25)) },
      mix: { tool: chance.flip(0.35) ? 'wood' : 'steel' },
    });
  if (how < 0.8) return only({ mix: { tool: 'wood' } });
  if (how < 0.92)
    return only({
      additives: [
        {
          name: 'wall paint',
          kind: 'water-based-paint',
          massG: totalG * chance.between(0.005, 0.03),
          applied: 'mixed',
        },
      ],
    });
  return only({ mould: { temperatureC: chance.between(9, 13) }, room: { humidityPct: chance.between(58, 75) } });
};

export const FAULTS_OF_MIXING: Partial<Record<CauseId, InjectedFault>> = {
  'ratio-off': ratioOff,
  'under-mixed': underMixed,
  'too-much-additive': tooMuchAdditive,
  'old-or-damp-lot': oldLot,
  'aged-hardener': agedHardener,
  'catalyst-low': dose(0.3, 0.95),
  'catalyst-high': dose(1.05, 1.9),
  'whipped-air': whipped,
  'damp-resin': dampResin,
  'cup-scraped': ({ card, chance }) =>
    card.family === 'uv-acrylate'
      ? null
      : only({ pour: { scrapedCup: chance.flip(0.92) }, mix: { secondCup: chance.flip(0.1) } }),
  'loose-powder': ({ chance, totalG }) =>
    only({
      additives: [
        {
          name: 'brass powder',
          kind: chance.pick(['mica', 'powder'] as const),
          massG: totalG * 0.01,
          applied: chance.pick(['dusted', 'sprinkled', 'dusted', 'mixed'] as const),
        },
      ],
    }),
};
