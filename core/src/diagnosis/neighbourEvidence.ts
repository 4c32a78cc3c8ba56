import type { Evidence } from '../formats/diagnosis';
import type { CauseId, NEIGHBOUR_KINDS } from '../formats/vocabulary';
import { neighbourLikelihoodRatio } from '../outcomes/neighbourLikelihood';
import type { CaseFacts, History } from './caseFacts';

export type NeighbourKind = (typeof NEIGHBOUR_KINDS)[number];
type Neighbours = NonNullable<NonNullable<History['neighbours']>[number]>;
/** How often a cause, where it is the one, sits in what the neighbours share, and so spoils them too. */
type Explains = Partial<Record<CauseId, number>>;

const BAD_LOT: Explains = { 'old-or-damp-lot': 0.9, 'damp-resin': 0.4, 'ratio-off': 0.15, 'catalyst-low': 0.2 };
const EXPLAINS: Readonly<Record<Exclude<NeighbourKind, 'device'>, Explains>> = {
  lotA: BAD_LOT,
  lotB: { ...BAD_LOT, 'aged-hardener': 0.9 },
  mould: {
    'mould-flaw': 0.9,
    'mould-not-degassed': 0.8,
    'inhibited-by-contact': 0.8,
    'tin-mould': 0.9,
    'surface-texture': 0.9,
    'trapped-by-shape': 0.5,
    'mould-leaked': 0.5,
    'thin-section': 0.6,
  },
  cavity: { 'mould-flaw': 0.9, 'trapped-by-shape': 0.5, 'thin-section': 0.5 },
  day: { 'damp-resin': 0.6, 'amine-blush': 0.7, 'cold-cure': 0.7, 'cold-thick-resin': 0.5 },
  scale: { 'ratio-off': 0.4, 'catalyst-low': 0.3, 'catalyst-high': 0.3, 'too-much-additive': 0.2 },
  vessel: { 'pressure-low': 0.6, 'pressure-late': 0.5, 'pressure-let-go': 0.6, 'not-cleared': 0.3 },
  person: {
    'under-mixed': 0.5,
    'whipped-air': 0.5,
    'cup-scraped': 0.5,
    'too-soon': 0.4,
    'trapped-by-shape': 0.4,
    'flame-scorch': 0.4,
    'layer-contaminated': 0.4,
    'ratio-off': 0.3,
  },
};
/** What a device that reads wrongly lets happen, by what it reads. */
const MISREAD: Readonly<Record<string, Explains>> = {
  scale: { 'ratio-off': 0.4, 'catalyst-low': 0.3, 'catalyst-high': 0.3 },
  gauge: { 'pressure-low': 0.5, 'pressure-let-go': 0.3 },
  vacuum: { 'not-cleared': 0.5 },
  resin: { 'cold-thick-resin': 0.4, 'cold-cure': 0.4, overheated: 0.3 },
  room: { 'cold-cure': 0.4, 'amine-blush': 0.3 },
  humidity: { 'damp-resin': 0.5, 'amine-blush': 0.5 },
};

/** Neighbours are a hint from outside of the record: they never say more than this either way, decibans. */
const [MOST_FOR, MOST_AGAINST] = [9, -5];

/** The field that names what they share. */
const FIELD: Readonly<Record<NeighbourKind, string>> = {
  lotA: 'lotA.code',
  lotB: 'lotB.code',
  mould: 'mould.code',
  cavity: 'castings[].mould.cavity',
  day: 'startedAt',
  scale: 'mix.scale',
  device: 'readings[].device',
  vessel: 'pressure.vessel',
  person: 'by',
};
const SHARED: Readonly<Record<NeighbourKind, (value: string) => string>> = {
  lotA: (v) => `lot ${v} of A`,
  lotB: (v) => `lot ${v} of B`,
  mould: (v) => `mould ${v}`,
  cavity: (v) => `cavity ${v}`,
  day: (v) => `the same day, ${v}`,
  scale: (v) => `scale ${v}`,
  device: (v) => `device ${v}`,
  vessel: (v) => `vessel ${v}`,
  person: (v) => `the same hands, ${v}`,
};

function weightOf(by: NeighbourKind, value: string | null | undefined, id: CauseId, facts: CaseFacts): number {
  if (by !== 'device') return EXPLAINS[by][id] ?? 0;
  const reads = (facts.batch.readings ?? []).flatMap((r) =>
    r.what && (value == null || r.device === value) ? r.what : [],
  );
  return Math.max(0, ...reads.map((what) => MISREAD[what]?.[id] ?? 0));
}

/** A cause that sits in what they share only now and then is moved by them only so far. */
function points(counts: Neighbours, weight: number): number {
  const ratio = 1 - weight + weight * neighbourLikelihoodRatio(counts);
  return Math.max(MOST_AGAINST, Math.min(MOST_FOR, 10 * Math.log10(ratio)));
}

function sentence({ by, value, with: k, of: n, otherwise, ofOthers }: Neighbours): string {
  const shared = SHARED[by](value ?? '').replace(/, $| $/, '');
  return `Of ${n} other casting${n === 1 ? '' : 's'} of ${shared}, ${k} showed this fault; of ${ofOthers} others of this product, ${otherwise}.`;
}

/**
 * What castings that share something with this one say of a cause that this would explain. Groups that share several
 * things are mostly the same castings, so the one that says most counts alone; and of what the record itself says
 * already only the rest is added.
 * @param recorded what the record alone says of the cause, decibans
 */
export function neighbourEvidence(id: CauseId, facts: CaseFacts, recorded: number): Evidence[] {
  const told = (facts.history.neighbours ?? [])
    .filter((n) => n.symptom === facts.seen.kind && n.of > 0 && n.with <= n.of && n.otherwise <= n.ofOthers)
    .flatMap((n) => {
      const weight = weightOf(n.by, n.value, id, facts);
      return weight > 0 ? [{ n, points: points(n, weight) }] : [];
    })
    .sort((a, b) => b.points - a.points);
  const speaks = told[0] && told[0].points > 0 ? told[0] : told.at(-1);
  if (!speaks) return [];
  const said = speaks.points > 0 ? Math.max(0, recorded) : Math.min(0, recorded);
  const rest = speaks.points > 0 ? Math.max(0, speaks.points - said) : Math.min(0, speaks.points - said);
  const { by, value, with: k } = speaks.n;
  return [
    {
      field: FIELD[by],
      measured: value ?? k,
      limit: null,
      unit: '',
      points: rest,
      says: sentence(speaks.n),
      neighbours: { by, value: value ?? '' },
    },
  ];
}
