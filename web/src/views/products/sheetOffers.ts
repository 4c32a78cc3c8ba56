import { unitInName, type SheetReading, type SheetStatement } from '@warm-jar/core';
import { cardSections } from './cardFields';

/** A figure and the place in a card where it goes. */
export interface OfferedFigure {
  readonly path: string;
  readonly value: SheetReading['value'];
  readonly unit: string;
}

/** One way to fill a line of the card: the figures that belong together, and where they stand. */
export interface OfferChoice {
  readonly figures: readonly OfferedFigure[];
  readonly line: number;
  readonly text: string;
}

/** What a sheet offers for one line of a card. */
export interface SheetOffer {
  readonly id: string;
  readonly label: string;
  readonly choices: readonly OfferChoice[];
  /** Its choices cannot all be right: somebody has to say which. */
  readonly contradicts: boolean;
}

/** Figures of a card that are told together: their first path leads. */
const TOGETHER: Readonly<Record<string, string>> = {
  'potLife.atC': 'potLife.minutes',
  'potLife.massG': 'potLife.minutes',
  'gel.atC': 'gel.minutes',
  'gel.massG': 'gel.minutes',
  'tackFree.atC': 'tackFree.minutes',
  'demould.atC': 'demould.minutes',
  'fullCure.atC': 'fullCure.hours',
  'viscosity.atC': 'viscosity.mixedMPaS',
  'exotherm.massG': 'exotherm.peakC',
  'exotherm.atC': 'exotherm.peakC',
  'recoat.untilMin': 'recoat.fromMin',
  'recoat.atC': 'recoat.fromMin',
  'ratio.byWeight.b': 'ratio.byWeight.a',
  'ratio.byVolume.b': 'ratio.byVolume.a',
  'ratio.powder.powder': 'ratio.powder.liquid',
  'hardness.scale': 'hardness.value',
  'hardness.tolerance': 'hardness.value',
  'room.maxC': 'room.minC',
  'resin.maxC': 'resin.minC',
  'depth.maxMm': 'depth.minMm',
  'pressure.maxKPa': 'pressure.minKPa',
};

const LABELS: Readonly<Record<string, string>> = {
  'ratio.byWeight.a': 'Ratio by weight',
  'ratio.byVolume.a': 'Ratio by volume',
  'ratio.powder.liquid': 'Liquid to powder',
  'room.minC': 'Room',
  'resin.minC': 'Resin',
  'depth.minMm': 'Depth',
  'pressure.minKPa': 'Pressure',
  'recoat.fromMin': 'Bond window',
  'ratio.catalyst.minPct': 'Catalyst, least',
  'ratio.catalyst.typicalPct': 'Catalyst, typical',
  'ratio.catalyst.maxPct': 'Catalyst, most',
  'fullCure.hours': 'Full cure',
};
const FAMILIES_OF_FIELDS = ['polyester', 'mineral-acrylic', 'uv-acrylate', null] as const;
const OF_THE_FORM: ReadonlyMap<string, string> = new Map(
  FAMILIES_OF_FIELDS.flatMap((family) => cardSections(family, true))
    .flatMap((section) => section.fields)
    .map((field) => [field.path, field.label]),
);

/** What a card's field is called. */
export function cardLabel(path: string): string {
  const dose = /^ratio\.catalyst\.gel\[(\d+)\]/.exec(path)?.[1];
  if (dose !== undefined) return `Gel at dose ${Number(dose) + 1}`;
  return LABELS[path] ?? OF_THE_FORM.get(path) ?? path;
}

const leaderOf = (path: string) => {
  const dose = /^(ratio\.catalyst\.gel\[\d+\])\./.exec(path)?.[1];
  return dose === undefined ? (TOGETHER[path] ?? path) : `${dose}.pct`;
};

const figure = (path: string, { value, unit }: SheetStatement): OfferedFigure => ({ path, value, unit });

/** The figures of one statement among several: itself, and what it is given at. */
function choiceOf(path: string, statement: SheetStatement): OfferChoice {
  const stem = path.slice(0, path.lastIndexOf('.') + 1);
  const given = (['atC', 'massG'] as const).flatMap((key) => {
    const value = statement[key];
    return value === undefined ? [] : [{ path: `${stem}${key}`, value, unit: unitInName(key) }];
  });
  return { figures: [figure(path, statement), ...given], line: statement.line, text: statement.text };
}

/** Fields of a list hold all that is found; the statements say where each stands. */
const isList = (reading: SheetReading) => Array.isArray(reading.value);

function offerOf(leader: string, members: readonly SheetReading[]): SheetOffer {
  const first = members.find((r) => r.path === leader) ?? members[0]!;
  const several = members.find((r) => r.readings && !isList(r));
  const own: OfferChoice = { figures: members.map((r) => figure(r.path, r)), line: first.line, text: first.text };
  const choices = several?.readings
    ? several.readings.map((s) =>
        s.line === several.line && s.value === several.value ? own : choiceOf(several.path, s),
      )
    : [own];
  const label = cardLabel(members.some((r) => r.path === leader) ? leader : first.path);
  return { id: leader, label, choices, contradicts: members.some((r) => r.contradicts === true) };
}

/** What a sheet's readings offer, one line of a card each, in the order of the card. */
export function sheetOffers(readings: readonly SheetReading[]): SheetOffer[] {
  const leaders = [...new Set(readings.map((r) => leaderOf(r.path)))];
  return leaders.map((leader) =>
    offerOf(
      leader,
      readings.filter((r) => leaderOf(r.path) === leader),
    ),
  );
}

/** The figures that stand for the choices that were taken: offers by their number, left out where none is taken. */
export function figuresTaken(
  offers: readonly SheetOffer[],
  taken: Readonly<Record<string, number | null>>,
): OfferedFigure[] {
  return offers.flatMap((offer) => {
    const at = taken[offer.id];
    return at == null ? [] : (offer.choices[at]?.figures ?? []);
  });
}
