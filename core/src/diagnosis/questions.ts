import { checksInOrder } from '../formats/batchChecks';
import type { Batch } from '../formats/batch';
import { workingTime } from '../cure/workingTime';
import type { Product } from '../formats/product';
import { addMonths } from '../units/days';
import { batchDay } from '../limits/lotDates';

/** A way the answer might turn out, as the batch would then read, and how often it does before anything is known. */
export interface Outcome {
  readonly batch: Batch;
  readonly base: number;
}

/** A field whose answer might tell causes apart: which, why, and how it might turn out. */
export interface Question {
  readonly field: string;
  readonly why: string;
  /** Minutes until the answer is there; typed at once where it is not given. */
  readonly effortMin?: number;
  /** Null where it was already recorded, or the card gives nothing to hold an answer against. */
  readonly outcomes: (product: Product, batch: Batch) => Outcome[] | null;
}

/**
 * Chance that a recorded figure turns out to be inside its limit, before anything is known: most work is done right.
 */
const USUALLY_FINE = 0.75;

type Section =
  'base' | 'room' | 'resin' | 'mix' | 'degas' | 'pour' | 'pressure' | 'cure' | 'lotA' | 'lotB' | 'mould' | 'layerBelow';

function patch(batch: Batch, section: Section, values: Record<string, unknown>): Batch {
  return { ...batch, [section]: { ...(batch[section] ?? {}), ...values } };
}

function isMissing(batch: Batch, section: Section, key: string): boolean {
  const values: Record<string, unknown> = batch[section] ?? {};
  return values[key] == null;
}

/** A question with a fine and a bad answer; `null` from `answers` where the card cannot judge either. */
function twoWay(
  section: Section,
  key: string,
  why: string,
  answers: (product: Product, batch: Batch) => { fine: unknown; bad: unknown } | null,
): Question {
  return {
    field: `${section}.${key}`,
    why,
    outcomes: (product, batch) => {
      const found = isMissing(batch, section, key) ? answers(product, batch) : null;
      return (
        found && [
          { batch: patch(batch, section, { [key]: found.fine }), base: USUALLY_FINE },
          { batch: patch(batch, section, { [key]: found.bad }), base: 1 - USUALLY_FINE },
        ]
      );
    },
  };
}

const when = <T>(value: T | null | undefined, then: (v: T) => { fine: unknown; bad: unknown }) =>
  value == null ? null : then(value);

function ratioAnswers(product: Product): { fine: Record<string, number>; bad: Record<string, number> } | null {
  const parts =
    product.ratio.byWeight ??
    (product.ratio.powder && { a: product.ratio.powder.liquid, b: product.ratio.powder.powder });
  return parts
    ? { fine: { amountA: parts.a, amountB: parts.b }, bad: { amountA: parts.a, amountB: parts.b * 1.15 } }
    : null;
}

const amounts: Question = {
  field: 'mix.amountB',
  why: 'The two amounts would show whether the ratio was kept, or which slip was made.',
  outcomes: (product, batch) => {
    const found = isMissing(batch, 'mix', 'amountB') ? ratioAnswers(product) : null;
    return (
      found && [
        { batch: patch(batch, 'mix', { unit: 'g', ...found.fine }), base: USUALLY_FINE },
        { batch: patch(batch, 'mix', { unit: 'g', ...found.bad }), base: 1 - USUALLY_FINE },
      ]
    );
  },
};

const loading: Question = {
  field: 'additives',
  why: 'How much colour or filler went in would show whether the loading was over the limit.',
  outcomes: (product, batch) => {
    const limit = product.additives?.totalMaxPct;
    const { amountA, amountB } = batch.mix ?? {};
    if (limit == null || batch.additives != null || amountA == null || amountB == null) return null;
    const kind = 'other' as const;
    const of = (pct: number) => [{ kind, massG: ((amountA + amountB) * pct) / 100 }];
    return [
      { batch: { ...batch, additives: of(limit * 0.4) }, base: USUALLY_FINE },
      { batch: { ...batch, additives: of(limit * 1.6) }, base: 1 - USUALLY_FINE },
    ];
  },
};

/** Shore points a day that a slow cure gains at least. */
const RISING_A_DAY = 8;
const A_DAY_H = 24;

const secondHardness: Question = {
  field: 'checks[].shore',
  effortMin: 24 * 60,
  why: 'A second hardness reading a day later tells slow from wrong: rising only needs time, flat will not come.',
  outcomes: (product, batch) => {
    const checks = checksInOrder(batch);
    const read = checks.filter((c) => c.shore != null);
    const [first, last] = [read[0], checks.at(-1)];
    const full = product.hardness?.value;
    if (
      read.length !== 1 ||
      first?.shore == null ||
      !last ||
      full == null ||
      first.shore >= full - (product.hardness?.tolerance ?? 0)
    )
      return null;
    const then = (shore: number): Batch => ({
      ...batch,
      checks: [...checks, { afterH: last.afterH + A_DAY_H, shore }],
    });
    return [
      { batch: then(first.shore + RISING_A_DAY), base: 0.5 },
      { batch: then(first.shore), base: 0.5 },
    ];
  },
};

/** A question about the first thing cast in. */
function ofInclusion(key: 'laid' | 'moved' | 'sealed', why: string, found: { fine: unknown; bad: unknown }): Question {
  return {
    field: `inclusions[0].${key}`,
    why,
    outcomes: (_product, batch) => {
      const [first, ...others] = batch.inclusions ?? [];
      if (!first || first[key] != null) return null;
      const then = (value: unknown): Batch => ({ ...batch, inclusions: [{ ...first, [key]: value }, ...others] });
      return [
        { batch: then(found.fine), base: USUALLY_FINE },
        { batch: then(found.bad), base: 1 - USUALLY_FINE },
      ];
    },
  };
}

const opened = (part: 'lotA' | 'lotB') =>
  twoWay(
    part,
    'openedOn',
    `When ${part === 'lotA' ? 'part A' : 'part B'} was first opened would show whether the lot is old or damp.`,
    (p, b) => {
      const [months, day] = [p.shelf?.openedMonths, batchDay(b)];
      return months == null || !day
        ? null
        : { fine: addMonths(day, -Math.ceil(months / 2)), bad: addMonths(day, -Math.ceil(months + 3)) };
    },
  );

/** Every question the application knows to ask of a record. */
export const QUESTIONS: readonly Question[] = [
  twoWay('room', 'humidityPct', 'Damp air foams urethane and blushes epoxy; the reading would settle it.', (p) =>
    when(p.room?.maxHumidityPct, (m) => ({ fine: m - 10, bad: Math.min(100, m + 10) })),
  ),
  twoWay('room', 'temperatureC', 'A room colder than the card allows slows the cure or stops it.', (p) =>
    when(p.room?.minC, (m) => ({ fine: m + 3, bad: m - 4 })),
  ),
  twoWay(
    'cure',
    'temperatureC',
    'Where it stood while curing, and how warm that was, tells slow from wrong.',
    (p, b) => (b.room?.temperatureC == null ? when(p.room?.minC, (m) => ({ fine: m + 3, bad: m - 4 })) : null),
  ),
  twoWay('resin', 'atPourC', 'Cold resin is thick and holds its air.', (p) =>
    when(p.resin?.minC, (m) => ({ fine: m + 3, bad: m - 4 })),
  ),
  amounts,
  loading,
  twoWay('mix', 'catalystPct', 'The dose of catalyst against the room decides between too little and too much.', (p) =>
    when(p.ratio.catalyst?.maxPct, (m) => ({
      fine: p.ratio.catalyst?.typicalPct ?? m / 2,
      bad: (p.ratio.catalyst?.minPct ?? 0) * 0.7,
    })),
  ),
  twoWay('mix', 'stirMin', 'How long it was stirred, against the card.', (p) =>
    when(p.mix?.minMin || null, (m) => ({ fine: m * 1.3, bad: m * 0.5 })),
  ),
  twoWay('mix', 'scrapedWalls', 'Whether wall and bottom were scraped while stirring.', () => ({
    fine: true,
    bad: false,
  })),
  twoWay('mix', 'tool', 'A wooden stick carries water into the mix.', (p) =>
    p.moistureSensitive ? { fine: 'steel', bad: 'wood' } : null,
  ),
  twoWay('pour', 'scrapedCup', 'Whether the cup was scraped out into the mould.', () => ({ fine: false, bad: true })),
  twoWay('degas', 'minutes', 'How long the air was given to leave.', (p, b) =>
    when(b.degas?.method === 'rest' ? p.mix?.restMin || null : p.degas?.minutes, (m) => ({
      fine: m * 1.3,
      bad: m * 0.3,
    })),
  ),
  twoWay('pressure', 'gaugeKPa', 'The pressure on the gauge, against what the card asks.', (p) =>
    when(p.pressure?.minKPa, (m) => ({ fine: m * 1.2, bad: m * 0.6 })),
  ),
  twoWay('pressure', 'reachedMin', 'When it was at full pressure, against when it gelled.', (p, b) => {
    const gelMin = p.pressure?.minKPa == null ? null : workingTime(p, b).gelMin;
    return when(gelMin, (g) => ({ fine: g * 0.6, bad: g * 1.3 }));
  }),
  twoWay('pressure', 'releasedMin', 'When the pressure was let go, against when it had set.', (p, b) =>
    when(p.pressure?.holdMin, (h) => ({
      fine: (b.pressure?.reachedMin ?? 5) + h * 1.2,
      bad: (b.pressure?.reachedMin ?? 5) + h * 0.3,
    })),
  ),
  twoWay('pour', 'depthMm', 'How deep it was poured, against what the card lets go at once.', (p) =>
    when(p.depth?.maxMm, (m) => ({ fine: m * 0.5, bad: m * 1.5 })),
  ),
  twoWay('cure', 'peakC', 'The hottest reading would decide whether it overheated.', (p) =>
    when(p.exothermMaxC, (m) => ({ fine: m - 15, bad: m + 12 })),
  ),
  twoWay('cure', 'demouldedMin', 'When it came out of the mould, against the card.', (p) =>
    when(p.demould?.minutes, (m) => ({ fine: m * 1.4, bad: m * 0.5 })),
  ),
  twoWay('cure', 'lightMJPerCM2', 'Whether a lamp or the sun reached it, and for how long.', (p) =>
    p.light?.stable === false ? { fine: 0, bad: 2000 } : null,
  ),
  twoWay('mould', 'degassed', 'Rubber that was not degassed prints its own bubbles under pressure.', (_p, b) =>
    b.mould ? { fine: true, bad: false } : null,
  ),
  twoWay('mould', 'rubber', 'Tin-cured rubber fogs clear urethane, and some rubbers stop a cure.', (p, b) =>
    b.mould
      ? {
          fine: 'platinum-silicone',
          bad: p.inhibitedBy?.includes('platinum-silicone') ? 'platinum-silicone' : 'tin-silicone',
        }
      : null,
  ),
  twoWay('mould', 'finish', 'A textured or matt master gives a frosted skin that is no fault.', (_p, b) =>
    b.mould ? { fine: 'gloss', bad: 'textured' } : null,
  ),
  twoWay('pour', 'tilted', 'Air stays under overhangs unless the mould is tilted.', () => ({ fine: true, bad: false })),
  twoWay('pour', 'flame', 'A torch or a heat gun held too long scorches.', () => ({ fine: 'none', bad: 'torch-long' })),
  twoWay('mix', 'vigour', 'Whipping stirs air in.', () => ({ fine: 'gentle', bad: 'whipped' })),
  twoWay('cure', 'film', 'Without wax or film the air side of a polyester stays tacky.', (p) =>
    p.family === 'polyester' && p.waxed !== true ? { fine: true, bad: false } : null,
  ),
  twoWay('lotB', 'colour', 'A hardener that has gone amber yellows what it cures.', (p) =>
    p.family === 'uv-acrylate' || p.family === 'polyester' ? null : { fine: 'clear', bad: 'amber' },
  ),
  twoWay(
    'layerBelow',
    'massLossPct',
    'Whether the layer below had stopped losing weight when it was covered.',
    (_p, b) => (b.layerBelow?.family === 'mineral-acrylic' ? { fine: 0.2, bad: 3 } : null),
  ),
  twoWay('layerBelow', 'sanded', 'Past its bond window a layer holds only on sanded resin.', (_p, b) =>
    b.layerBelow ? { fine: true, bad: false } : null,
  ),
  twoWay('layerBelow', 'hoursSince', 'How long the layer below had set decides whether it bonds by itself.', (p, b) =>
    b.layerBelow && p.recoat?.untilMin != null && b.layerBelow.productSlug === p.slug
      ? { fine: (p.recoat.untilMin / 60) * 0.7, bad: (p.recoat.untilMin / 60) * 3 }
      : null,
  ),
  twoWay(
    'layerBelow',
    'wiped',
    'Dust, wax or a greasy film left on the layer below keeps the next one off.',
    (_p, b) => (b.layerBelow ? { fine: true, bad: false } : null),
  ),
  twoWay('pour', 'levelLostMm', 'A level that fell before gel has run out somewhere.', () => ({ fine: 0, bad: 3 })),
  twoWay('mould', 'sealed', 'A mould that was not sealed runs out at its seams.', (_p, b) =>
    b.mould ? { fine: true, bad: false } : null,
  ),
  twoWay('mix', 'stirAfterColourMin', 'Powder that was hardly stirred after it went in stays in grains.', (_p, b) =>
    (b.additives?.length ?? 0) > 0 ? { fine: 2.5, bad: 0.3 } : null,
  ),
  twoWay('base', 'sealed', 'A porous base that was not sealed drinks the coat.', (_p, b) =>
    b.base?.kind != null ? { fine: true, bad: false } : null,
  ),
  ofInclusion('laid', 'What is laid in after the pour carries its air under it.', { fine: 'before', bad: 'after' }),
  ofInclusion('moved', 'Moved under the resin, it lets its air go.', { fine: true, bad: false }),
  ofInclusion('sealed', 'What is porous and not sealed drinks resin and gives off air.', { fine: true, bad: false }),
  secondHardness,
  opened('lotA'),
  opened('lotB'),
];
