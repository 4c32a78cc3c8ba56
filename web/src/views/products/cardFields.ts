import {
  ADDITIVE_KINDS,
  CARD_DEGAS_METHODS,
  CLARITIES,
  FAMILIES,
  HAZARDS,
  INHIBITORS,
  USES,
  type Family,
} from '@warm-jar/core';
import type { Field } from '../../components/form/field';

/** A group of a card's figures, as the data sheet and the work order them. */
export interface CardSection {
  readonly title: string;
  readonly fields: readonly Field[];
  readonly hint?: string;
  readonly pairs?: boolean;
}

const text = (path: string, label: string): Field => ({ path, label, kind: 'text' });
const number = (path: string, label: string, unit: string): Field => ({ path, label, kind: 'number', unit });
const yesNo = (path: string, label: string): Field => ({ path, label, kind: 'yes-no' });
const choice = (path: string, label: string, options: readonly string[]): Field => ({
  path,
  label,
  kind: 'choice',
  options,
});
const choices = (path: string, label: string, options: readonly string[]): Field => ({
  path,
  label,
  kind: 'choices',
  options,
});
const at = (path: string, label: string, mass: boolean): Field[] => [
  number(`${path}.minutes`, label, 'min'),
  number(`${path}.atC`, 'at', '°C'),
  ...(mass ? [number(`${path}.massG`, 'in a mass of', 'g')] : []),
];

function ratioFields(family: Family | null): CardSection {
  if (family === 'polyester') {
    return {
      title: 'Catalyst',
      fields: [
        number('ratio.catalyst.minPct', 'Least', '%'),
        number('ratio.catalyst.typicalPct', 'Typical', '%'),
        number('ratio.catalyst.maxPct', 'Most', '%'),
        number('ratio.catalyst.densityGPerML', 'Density of the catalyst', 'g/mL'),
        number('ratio.catalyst.dropsPerML', 'Drops per mL', ''),
      ],
    };
  }
  if (family === 'mineral-acrylic')
    return {
      title: 'Liquid to powder',
      fields: [
        number('ratio.powder.liquid', 'Liquid', 'parts'),
        number('ratio.powder.powder', 'Powder', 'parts'),
        number('ratio.tolerancePct', 'Tolerance, ±', '%'),
      ],
    };
  if (family === 'uv-acrylate')
    return {
      title: 'Light',
      fields: [
        number('light.doseMJPerCM2', 'Least dose', 'mJ/cm²'),
        number('light.penetrationMm', 'Penetration depth', 'mm'),
        number('light.criticalMJPerCM2', 'Critical dose', 'mJ/cm²'),
      ],
    };
  return {
    title: 'Ratio',
    pairs: true,
    hint: 'Where the sheet gives only one ratio, the other is worked out from the densities.',
    fields: [
      number('ratio.byWeight.a', 'A by weight', 'parts'),
      number('ratio.byVolume.a', 'A by volume', 'parts'),
      number('ratio.byWeight.b', 'B by weight', 'parts'),
      number('ratio.byVolume.b', 'B by volume', 'parts'),
      number('ratio.tolerancePct', 'Tolerance, ±', '%'),
    ],
  };
}

const whichProduct = (isNew: boolean): CardSection => ({
  title: 'Which product',
  fields: [
    text('name', 'Name'),
    ...(isNew ? [text('slug', 'Short name, such as house-clear-6')] : []),
    choice('family', 'Family', FAMILIES),
    choices('use', 'Made for', USES),
    text('source', 'Where the figures come from'),
  ],
});

const densities = (family: Family | null): CardSection => ({
  title: 'Densities and viscosity',
  fields: [
    number('densityAGPerML', 'Density of A', 'g/mL'),
    ...(family === 'uv-acrylate' ? [] : [number('densityBGPerML', 'Density of B', 'g/mL')]),
    number('mixedDensityGPerML', 'Density, mixed', 'g/mL'),
    number('viscosity.mixedMPaS', 'Viscosity, mixed', 'mPa·s'),
    number('viscosity.atC', 'at', '°C'),
  ],
});

const TIMES: CardSection = {
  title: 'Times',
  hint: 'Pot life and gel mean nothing without the mass and temperature they were measured at.',
  fields: [
    ...at('potLife', 'Pot life', true),
    ...at('gel', 'Gel', true),
    ...at('tackFree', 'Tack-free', false),
    ...at('demould', 'Demould', false),
    number('fullCure.hours', 'Full cure', 'h'),
    number('fullCure.atC', 'at', '°C'),
    number('recoat.fromMin', 'Bond window from', 'min'),
    number('recoat.untilMin', 'until', 'min'),
    number('recoat.atC', 'at', '°C'),
  ],
};

const ROOM: CardSection = {
  title: 'Room, resin and mixing',
  fields: [
    number('room.minC', 'Room, least', '°C'),
    number('room.maxC', 'Room, most', '°C'),
    number('room.maxHumidityPct', 'Room damp, most', '%'),
    number('resin.minC', 'Resin, least', '°C'),
    number('resin.maxC', 'Resin, most', '°C'),
    number('mix.minMin', 'Stir at least', 'min'),
    number('mix.restMin', 'Rest at least', 'min'),
    yesNo('moistureSensitive', 'Moisture-sensitive'),
  ],
};

const AIR: CardSection = {
  title: 'Air',
  fields: [
    choice('degas.method', 'Degas by', CARD_DEGAS_METHODS),
    number('degas.vacuumKPaAbs', 'Vacuum, absolute, at most', 'kPa'),
    number('degas.minutes', 'for at least', 'min'),
    number('pressure.minKPa', 'Pressure, least', 'kPa'),
    number('pressure.maxKPa', 'Pressure, most', 'kPa'),
    number('pressure.holdMin', 'Hold at least', 'min'),
  ],
};

const POUR_AND_CURE: CardSection = {
  title: 'Pour and cure',
  fields: [
    number('depth.minMm', 'Depth, least', 'mm'),
    number('depth.maxMm', 'Depth, most', 'mm'),
    number('thinnestMm', 'Thinnest section', 'mm'),
    number('exothermMaxC', 'Exotherm limit', '°C'),
    number('exotherm.peakC', 'Peak exotherm', '°C'),
    number('exotherm.massG', 'in a mass of', 'g'),
    number('exotherm.atC', 'at', '°C'),
    choice('hardness.scale', 'Shore scale', ['A', 'D', '00']),
    number('hardness.value', 'Hardness', ''),
    number('hardness.tolerance', '±', ''),
    yesNo('waxed', 'Waxed'),
    choices('inhibitedBy', 'Cure stopped by', INHIBITORS),
    number('inclusionMaxMoisturePct', 'Inclusion moisture, most', '%'),
  ],
};

const ADDITIVES: CardSection = {
  title: 'Additives',
  fields: [
    choice('additives.basis', 'Limits by', ['weight', 'volume']),
    number('additives.totalMaxPct', 'All together, most', '%'),
    ...ADDITIVE_KINDS.map((kind) => number(`additives.kinds.${kind}`, `${kind.replaceAll('-', ' ')}, most`, '%')),
    choices('additives.refused', 'Refused', ADDITIVE_KINDS),
  ],
};

const LOOK: CardSection = {
  title: 'Look, light, shelf and hazards',
  fields: [
    choice('clarity', 'Clarity', CLARITIES),
    yesNo('light.stable', 'Light-stable'),
    number('shelf.unopenedMonths', 'Keeps unopened', 'months'),
    number('shelf.openedMonths', 'Keeps once opened', 'months'),
    choices('hazards', 'Hazards', HAZARDS),
  ],
};

/** Every figure a card can hold, in groups; what a family cannot have is left out. */
export const cardSections = (family: Family | null, isNew: boolean): CardSection[] => [
  whichProduct(isNew),
  ratioFields(family),
  densities(family),
  TIMES,
  ROOM,
  AIR,
  POUR_AND_CURE,
  ADDITIVES,
  LOOK,
];
