import { sayMinutes, volumeParts, weightParts, type Product, type Say } from '@warm-jar/core';

/** A line of a card: what is stated, or null where the data sheet is silent. */
export interface CardFact {
  readonly label: string;
  readonly stated: string | null;
  readonly note?: string;
}
export interface CardGroup {
  readonly title: string;
  readonly facts: readonly CardFact[];
}

type Maybe = number | null | undefined;

function band(low: Maybe, high: Maybe, unit: string, say: Say): string | null {
  if (low != null && high != null) return `${say(low, unit)} to ${say(high, unit)}`;
  if (low != null) return `${say(low, unit)} or more`;
  return high == null ? null : `${say(high, unit)} or less`;
}

function timed(t: { minutes?: Maybe; atC?: Maybe; massG?: Maybe } | null | undefined, say: Say): string | null {
  if (t?.minutes == null) return null;
  const at = [t.atC == null ? null : `at ${say(t.atC, '°C')}`, t.massG == null ? null : say(t.massG, 'g')]
    .filter(Boolean)
    .join(', ');
  return `${sayMinutes(t.minutes)}${at ? ` ${at}` : ''}`;
}

const ratioWords = (p: { a: number; b: number } | null) =>
  p ? `${Number(p.a.toFixed(1))} : ${Number(p.b.toFixed(1))}` : null;
/** A ratio that was worked out, to a hundred parts of A as data sheets have it. */
const perHundred = (p: { a: number; b: number } | null) => p && { a: 100, b: (100 * p.b) / p.a };
const YES_NO = { true: 'yes', false: 'no' } as const;
const yesNo = (v: boolean | null | undefined) => (v == null ? null : YES_NO[`${v}`]);
const said = (v: Maybe, unit: string, say: Say) => (v == null ? null : say(v, unit));
const spaced = (word: string) => word.replaceAll('-', ' ');
/** Words of a list; an empty one says so, which is not the same as saying nothing. */
const listed = (words: readonly string[] | null | undefined, none: string) =>
  words ? words.map(spaced).join(', ') || none : null;
const fact = (label: string, stated: string | null, note?: string): CardFact =>
  note ? { label, stated, note } : { label, stated };

function catalystFacts(
  { minPct, maxPct, typicalPct, dropsPerML }: NonNullable<Product['ratio']['catalyst']>,
  say: Say,
) {
  return [
    fact('Catalyst', band(minPct, maxPct, '%', say)),
    fact('Catalyst, typical', said(typicalPct, '%', say)),
    fact('Catalyst drops', dropsPerML == null ? null : `${dropsPerML} in ${say(1, 'mL')}`),
  ];
}

/** The ratio by weight and by volume: as stated, else as worked out of the other, and then it says so. */
function ratioFacts(p: Product): CardFact[] {
  const { byWeight, byVolume, powder } = p.ratio;
  if (powder) return [fact('Liquid : powder, by weight', ratioWords(weightParts(p)))];
  const weight = ratioWords(byWeight ? weightParts(p) : perHundred(weightParts(p)));
  const volume = ratioWords(byVolume ?? perHundred(volumeParts(p)));
  return [
    fact('A : B by weight', weight, weight && !byWeight ? 'computed from the volumes' : undefined),
    fact('A : B by volume', volume, volume && !byVolume ? 'computed from the densities' : undefined),
  ];
}

function mixing(p: Product, say: Say): CardFact[] {
  const { catalyst, tolerancePct } = p.ratio;
  if (catalyst) return catalystFacts(catalyst, say);
  if (p.family === 'uv-acrylate') return [fact('Parts', 'one part, cured by light')];
  const tolerance = said(tolerancePct, '%', say);
  return [...ratioFacts(p), fact('Ratio tolerance', tolerance && `± ${tolerance}`)];
}

/** A figure and the condition it was measured at. */
function figureAt(figure: string | null, joint: string, at: string | null): string | null {
  return figure && at ? `${figure}${joint}${at}` : figure;
}

function hardnessWords(hardness: Product['hardness']): string | null {
  const { value, scale, tolerance } = hardness ?? {};
  if (value == null) return null;
  return `Shore ${scale ?? ''} ${value}${tolerance == null ? '' : ` ± ${tolerance}`}`;
}

type Facts = (p: Product, say: Say) => CardFact[];

const mixFacts: Facts = (p, say) => {
  const { mixedMPaS, atC } = p.viscosity ?? {};
  return [
    ...mixing(p, say),
    fact('Stir', band(p.mix?.minMin, null, 'min', say)),
    fact('Rest', band(p.mix?.restMin, null, 'min', say)),
    fact('Viscosity, mixed', figureAt(said(mixedMPaS, 'mPa·s', say), ' at ', said(atC, '°C', say))),
  ];
};

const timeFacts: Facts = (p, say) => {
  const { hours, atC } = p.fullCure ?? {};
  return [
    fact('Pot life', timed(p.potLife, say)),
    fact('Gel', timed(p.gel, say)),
    fact('Tack-free', timed(p.tackFree, say)),
    fact('Demould', timed(p.demould, say)),
    fact('Full cure', hours == null ? null : timed({ minutes: hours * 60, atC }, say)),
    fact('Bond window', band(p.recoat?.fromMin, p.recoat?.untilMin, 'min', say)),
  ];
};

const roomFacts: Facts = (p, say) => [
  fact('Room', band(p.room?.minC, p.room?.maxC, '°C', say)),
  fact('Room damp', band(null, p.room?.maxHumidityPct, '%', say)),
  fact('Resin', band(p.resin?.minC, p.resin?.maxC, '°C', say)),
  fact('Moisture-sensitive', yesNo(p.moistureSensitive)),
];

const airFacts: Facts = (p, say) => [
  fact('Degas', p.degas?.method ? spaced(p.degas.method) : null),
  fact('Vacuum, absolute', band(null, p.degas?.vacuumKPaAbs, 'kPa', say)),
  fact('Degas time', band(p.degas?.minutes, null, 'min', say)),
  fact('Pressure', band(p.pressure?.minKPa, p.pressure?.maxKPa, 'kPa', say)),
  fact('Hold', band(p.pressure?.holdMin, null, 'min', say)),
];

const cureFacts: Facts = (p, say) => {
  const { peakC, massG } = p.exotherm ?? {};
  return [
    fact('Depth of pour', band(p.depth?.minMm, p.depth?.maxMm, 'mm', say)),
    fact('Thinnest section', band(p.thinnestMm, null, 'mm', say)),
    fact('Exotherm limit', band(null, p.exothermMaxC, '°C', say)),
    fact('Peak exotherm, stated', figureAt(said(peakC, '°C', say), ', ', said(massG, 'g', say))),
    fact('Hardness', hardnessWords(p.hardness)),
    fact('Inclusion moisture', band(null, p.inclusionMaxMoisturePct, '%', say)),
  ];
};

const additiveFacts: Facts = (p, say) => {
  const { kinds = {}, totalMaxPct, basis, refused } = p.additives ?? {};
  const total = said(totalMaxPct, '%', say);
  const limited = Object.entries(kinds ?? {}).filter(([, v]) => v != null);
  return [
    fact('All additives together', total && `${total} of A + B by ${basis ?? 'weight'}`),
    ...limited.map(([kind, pct]) => fact(spaced(kind), `to ${say(pct ?? 0, '%')}`)),
    fact('Refused', listed(refused, 'none')),
  ];
};

const shelfFacts: Facts = (p, say) => [
  fact('Clarity', p.clarity ? spaced(p.clarity) : null),
  fact('Light-stable', yesNo(p.light?.stable)),
  fact('Light dose', band(p.light?.doseMJPerCM2, null, 'mJ/cm²', say)),
  fact('Unopened', said(p.shelf?.unopenedMonths, 'months', say)),
  fact('Once opened', said(p.shelf?.openedMonths, 'months', say)),
  fact('Cure stopped by', listed(p.inhibitedBy, 'nothing known')),
];

const GROUPS: readonly (readonly [string, Facts])[] = [
  ['Mix', mixFacts],
  ['Time', timeFacts],
  ['Room and resin', roomFacts],
  ['Air', airFacts],
  ['Pour and cure', cureFacts],
  ['Additives', additiveFacts],
  ['Look, light and shelf', shelfFacts],
];

/** Everything a card says and does not say, grouped as the work goes. */
export const cardGroups = (p: Product, say: Say): CardGroup[] =>
  GROUPS.map(([title, facts]) => ({ title, facts: facts(p, say) }));
