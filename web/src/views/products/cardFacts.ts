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
const yesNo = (v: boolean | null | undefined) => (v == null ? null : v ? 'yes' : 'no');
const fact = (label: string, stated: string | null, note?: string): CardFact =>
  note ? { label, stated, note } : { label, stated };

function mixing(p: Product, say: Say): CardFact[] {
  if (p.ratio.catalyst) {
    const c = p.ratio.catalyst;
    return [
      fact('Catalyst', band(c.minPct, c.maxPct, '%', say)),
      fact('Catalyst, typical', c.typicalPct == null ? null : say(c.typicalPct, '%')),
      fact('Catalyst drops', c.dropsPerML == null ? null : `${c.dropsPerML} per mL`),
    ];
  }
  if (p.family === 'uv-acrylate') return [fact('Parts', 'one part, cured by light')];
  const byWeight = ratioWords(p.ratio.byWeight || p.ratio.powder ? weightParts(p) : perHundred(weightParts(p)));
  const byVolume = ratioWords(p.ratio.byVolume ?? perHundred(volumeParts(p)));
  return [
    fact(
      p.ratio.powder ? 'Liquid : powder, by weight' : 'A : B by weight',
      byWeight,
      byWeight && !p.ratio.byWeight && !p.ratio.powder ? 'computed from the volumes' : undefined,
    ),
    ...(p.ratio.powder
      ? []
      : [fact('A : B by volume', byVolume, byVolume && !p.ratio.byVolume ? 'computed from the densities' : undefined)]),
    fact('Ratio tolerance', p.ratio.tolerancePct == null ? null : `± ${say(p.ratio.tolerancePct, '%')}`),
  ];
}

function additives(p: Product, say: Say): CardFact[] {
  const kinds = Object.entries(p.additives?.kinds ?? {}).filter(([, v]) => v != null);
  return [
    fact(
      'All additives together',
      p.additives?.totalMaxPct == null
        ? null
        : `${say(p.additives.totalMaxPct, '%')} of A + B by ${p.additives.basis ?? 'weight'}`,
    ),
    ...kinds.map(([kind, pct]) => fact(kind.replaceAll('-', ' '), `to ${say(pct ?? 0, '%')}`)),
    fact(
      'Refused',
      p.additives?.refused ? p.additives.refused.map((k) => k.replaceAll('-', ' ')).join(', ') || 'none' : null,
    ),
  ];
}

/** Everything a card says and does not say, grouped as the work goes. */
export function cardGroups(p: Product, say: Say): CardGroup[] {
  const shore =
    p.hardness?.value == null
      ? null
      : `Shore ${p.hardness.scale ?? ''} ${p.hardness.value}${p.hardness.tolerance == null ? '' : ` ± ${p.hardness.tolerance}`}`;
  return [
    {
      title: 'Mix',
      facts: [
        ...mixing(p, say),
        fact('Stir', band(p.mix?.minMin, null, 'min', say)),
        fact('Rest', band(p.mix?.restMin, null, 'min', say)),
        fact(
          'Viscosity, mixed',
          p.viscosity?.mixedMPaS == null
            ? null
            : `${say(p.viscosity.mixedMPaS, 'mPa·s')}${p.viscosity.atC == null ? '' : ` at ${say(p.viscosity.atC, '°C')}`}`,
        ),
      ],
    },
    {
      title: 'Time',
      facts: [
        fact('Pot life', timed(p.potLife, say)),
        fact('Gel', timed(p.gel, say)),
        fact('Tack-free', timed(p.tackFree, say)),
        fact('Demould', timed(p.demould, say)),
        fact(
          'Full cure',
          p.fullCure?.hours == null ? null : timed({ minutes: p.fullCure.hours * 60, atC: p.fullCure.atC }, say),
        ),
        fact('Bond window', band(p.recoat?.fromMin, p.recoat?.untilMin, 'min', say)),
      ],
    },
    {
      title: 'Room and resin',
      facts: [
        fact('Room', band(p.room?.minC, p.room?.maxC, '°C', say)),
        fact('Room damp', band(null, p.room?.maxHumidityPct, '%', say)),
        fact('Resin', band(p.resin?.minC, p.resin?.maxC, '°C', say)),
        fact('Moisture-sensitive', yesNo(p.moistureSensitive)),
      ],
    },
    {
      title: 'Air',
      facts: [
        fact('Degas', p.degas?.method?.replaceAll('-', ' ') ?? null),
        fact('Vacuum, absolute', band(null, p.degas?.vacuumKPaAbs, 'kPa', say)),
        fact('Degas time', band(p.degas?.minutes, null, 'min', say)),
        fact('Pressure', band(p.pressure?.minKPa, p.pressure?.maxKPa, 'kPa', say)),
        fact('Hold', band(p.pressure?.holdMin, null, 'min', say)),
      ],
    },
    {
      title: 'Pour and cure',
      facts: [
        fact('Depth of pour', band(p.depth?.minMm, p.depth?.maxMm, 'mm', say)),
        fact('Thinnest section', band(p.thinnestMm, null, 'mm', say)),
        fact('Exotherm limit', band(null, p.exothermMaxC, '°C', say)),
        fact(
          'Peak exotherm, stated',
          p.exotherm?.peakC == null
            ? null
            : `${say(p.exotherm.peakC, '°C')}${p.exotherm.massG == null ? '' : `, ${say(p.exotherm.massG, 'g')}`}`,
        ),
        fact('Hardness', shore),
        fact('Inclusion moisture', band(null, p.inclusionMaxMoisturePct, '%', say)),
      ],
    },
    { title: 'Additives', facts: additives(p, say) },
    {
      title: 'Look, light and shelf',
      facts: [
        fact('Clarity', p.clarity?.replaceAll('-', ' ') ?? null),
        fact('Light-stable', yesNo(p.light?.stable)),
        fact('Light dose', band(p.light?.doseMJPerCM2, null, 'mJ/cm²', say)),
        fact('Unopened', p.shelf?.unopenedMonths == null ? null : say(p.shelf.unopenedMonths, 'months')),
        fact('Once opened', p.shelf?.openedMonths == null ? null : say(p.shelf.openedMonths, 'months')),
        fact(
          'Cure stopped by',
          p.inhibitedBy ? p.inhibitedBy.map((i) => i.replaceAll('-', ' ')).join(', ') || 'nothing known' : null,
        ),
      ],
    },
  ];
}
