import type { Term } from './term';
import {
  CURE_ORDER_PICTURE,
  HARDNESS_PICTURE,
  LIMIT_PICTURE,
  POT_LIFE_PICTURE,
  PRESSURE_PICTURE,
  RATIO_PICTURE,
} from './termPicture';

/** Words of a product's card and of its data sheet. */
export const TERMS_OF_CARDS: readonly Term[] = [
  {
    id: 'card',
    term: 'Card, revision',
    says: 'A product’s card holds what its data sheet states. A change makes a new revision; a batch keeps the revision it was made with, so that old records are judged by the limits of their day.',
  },
  {
    id: 'not-stated',
    term: 'Not stated, not recorded',
    says: 'Not stated: the data sheet does not say it, so nothing is held against it. Not recorded: nobody wrote it down, so nothing is concluded from it. Neither is ever filled in by a guess.',
  },
  {
    id: 'ratio',
    term: 'Mix ratio',
    says: 'How much of part B goes with part A. By weight and by volume are two different pairs of numbers, tied by the densities: the volume ratio on a scale is a classic mistake. A wrong ratio never catches up.',
    picture: RATIO_PICTURE,
    fields: ['ratio.byWeight', 'ratio.byVolume', 'ratio.powder', 'mix.amountA', 'mix.amountB', 'mix.ratioErrorPct'],
  },
  {
    id: 'tolerance',
    term: 'Tolerance, smallest safe batch',
    says: 'How far part B may be off what part A asks for, in per cent. A scale’s step makes an error of its own; below the smallest safe batch that error alone could pass the tolerance.',
    fields: ['ratio.tolerancePct', 'mix.scaleStepG', 'stepG'],
  },
  {
    id: 'catalyst',
    term: 'Catalyst',
    says: 'Polyester is cured by a small dose of peroxide, in per cent of the resin. More dose gels sooner, and hotter; below the band it may never set.',
    fields: ['ratio.catalyst', 'mix.catalystPct'],
  },
  {
    id: 'density',
    term: 'Density, specific gravity',
    says: 'Grams in a millilitre. It ties the two ratios together and turns a mould’s volume into grams. Specific gravity is the same figure without a unit.',
    fields: ['density', 'mixedDensityGPerML'],
  },
  {
    id: 'viscosity',
    term: 'Viscosity',
    says: 'How thick the mixed resin is, in mPa·s (the same as cP or cps). Warmer is thinner: bubbles leave sooner, but there is less time.',
    fields: ['viscosity'],
  },
  {
    id: 'pot-life',
    term: 'Pot life, working time',
    says: 'How long a mix can be worked. It is stated for a mass at a temperature and means nothing without them: a bigger or warmer cup heats itself and is shorter.',
    picture: POT_LIFE_PICTURE,
    fields: ['potLife', 'pour.startedMin', 'pour.finishedMin'],
  },
  {
    id: 'cure-order',
    term: 'Gel, tack-free, demould, full cure',
    says: 'The times of a cure, always in this order. Gel: it no longer flows. Tack-free: it can be touched. Demould: it keeps its shape. Full cure: it is as hard as it will be.',
    picture: CURE_ORDER_PICTURE,
    fields: ['gel', 'tackFree', 'demould', 'fullCure', 'cure.demouldedMin'],
  },
  {
    id: 'exotherm',
    term: 'Exotherm',
    says: 'The heat of the reaction. The peak is the hottest it gets, told for a mass; the limit is the hottest the product may get in the mould. Too deep a pour runs away: it yellows, cracks, smokes.',
    fields: ['exotherm', 'exothermMaxC', 'cure.peakC'],
  },
  {
    id: 'depth',
    term: 'Depth, thinnest section',
    says: 'The deepest that may be poured at once, and the thinnest that still cures: a thin edge has little heat of its own and sets last.',
    fields: ['depth', 'thinnestMm', 'pour.depthMm', 'mould.thinnestMm'],
  },
  {
    id: 'band',
    term: 'Room and resin band',
    says: 'The temperatures, and the damp, within which the product may be worked. A strip shows the band and where your figure stands: inside, near its edge, below or above.',
    picture: LIMIT_PICTURE,
    fields: ['room', 'resin', 'cure.temperatureC'],
  },
  {
    id: 'stir',
    term: 'Stir and rest',
    says: 'The least time to stir, scraping wall and bottom, and the time to let it stand afterwards. What is left unmixed on the wall never hardens.',
    fields: ['mix.minMin', 'mix.restMin', 'mix.stirMin'],
  },
  {
    id: 'loading',
    term: 'Loading',
    says: 'What is added, in per cent of A and B together. Each kind has its own limit and all together have one; drops count by what a drop of that additive weighs.',
    fields: ['additives'],
  },
  {
    id: 'vacuum',
    term: 'Degassing, absolute pressure',
    says: 'Air is drawn out of the cup before the pour. Pressure under a vacuum is told absolute: 0 is empty, 101 kPa is the air around us. The foam rises to several times its height.',
    fields: ['degas'],
  },
  {
    id: 'pressure',
    term: 'Pressure, hold',
    says: 'The filled mould is pressed while the resin is still liquid, so that the air left shrinks and dissolves, and held until it has gelled. Told as gauge: above the air around. Only a rated vessel, within its rating.',
    picture: PRESSURE_PICTURE,
    fields: ['pressure'],
  },
  {
    id: 'bond-window',
    term: 'Bond window',
    says: 'From when a layer holds until it is fully hard, the next one bonds to it by itself. Past it: sand coarsely, wipe, then pour.',
    picture: HARDNESS_PICTURE,
    fields: ['recoat', 'layerBelow'],
  },
  {
    id: 'hardness',
    term: 'Shore hardness',
    says: 'A needle’s reading: A for rubber, D for hard resin, each 0 to 100. Held against the age of the cast at its temperature: under the curve but rising is slow, under it and flat is wrong.',
    fields: ['hardness', 'checks[].shore'],
  },
  {
    id: 'light',
    term: 'Light-stable, light-cured',
    says: 'Light-stable is about yellowing later. Light-cured resin hardens only where a lamp reaches, for a dose in mJ/cm². A lamp cures no two-part resin, and may yellow it.',
    fields: ['light', 'cure.lightMJPerCM2', 'cure.lamp'],
  },
  {
    id: 'shelf-life',
    term: 'Shelf life, lot',
    says: 'How long a part keeps, unopened and once opened. A lot is one delivery of one part: the earlier of its use-by and its months once opened counts.',
    fields: ['shelf', 'lotA', 'lotB', 'openedOn', 'useBy', 'receivedOn', 'quantityG'],
  },
  {
    id: 'moisture',
    term: 'Moisture',
    says: 'Water foams urethane and blushes epoxy. What is cast in must be dry: weighed until its mass stands still.',
    fields: ['moistureSensitive', 'inclusionMaxMoisturePct', 'inclusions', 'moisturePct'],
  },
  {
    id: 'hazards',
    term: 'Hazards',
    says: 'What the product holds that can harm. The safety data sheet, local codes and licensed practice come before anything said here.',
    fields: ['hazards'],
  },
];
