import type { Batch } from '../formats/batch';
import type { LimitReading } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import type { WorkingTime } from '../cure/workingTime';
import type { Say } from '../units/wording';
import { makeReading, type ReadingParts } from './reading';

const doseWords = (pct: number, trusted: boolean, say: Say) =>
  `${say(pct, '%')} of catalyst${trusted ? '' : ', so far outside its band a guess'}`;

/** Whose minutes these are: the model at this batch's conditions, or the card's label. */
export function whoseTime(working: WorkingTime, what: string, say: Say): string {
  if (working.from !== 'model') return `the card's ${what}`;
  const known = [
    working.resinC === null ? null : say(working.resinC, '°C'),
    working.massG === null ? null : say(working.massG, 'g'),
    working.dose === null || working.dosePct === null ? null : doseWords(working.dosePct, working.dose.trusted, say),
  ].filter((words) => words !== null);
  const at = [known.slice(0, -1).join(', '), known.at(-1)].filter(Boolean).join(' and ');
  return at ? `the card's ${what}, carried by the cup model to ${at},` : `the cup model's ${what}`;
}

type DegasParts = Pick<ReadingParts, 'low' | 'high' | 'note'> & { vacuumHigh: number | null | undefined };
type Degas = NonNullable<Product['degas']>;

const takesVacuum = (card: Product['degas']): card is Degas =>
  card?.method === 'vacuum' || card?.method === 'vacuum-or-pressure';

function degasParts(product: Product, batch: Batch): DegasParts {
  const method = batch.degas?.method ?? null;
  const card = product.degas;
  if (method === 'rest') return { low: product.mix?.restMin, vacuumHigh: null };
  const asCardSays = method === null || method === 'vacuum' || method === 'vacuum-then-pressure';
  if (takesVacuum(card) && asCardSays) return { low: card.minutes, vacuumHigh: card.vacuumKPaAbs };
  const other =
    card?.method === 'vacuum-or-pressure' && pressed(batch) === true
      ? 'It was pressed instead, as the card allows.'
      : 'This batch was not cleared the way the card describes.';
  return { vacuumHigh: null, note: method && card?.method ? other : null };
}

const pressed = (batch: Batch) => (batch.pressure?.gaugeKPa == null ? null : batch.pressure.gaugeKPa > 0);

/** Whether a card that takes vacuum or pressure had its vacuum: then it asks for no pressure. */
const hadVacuumInstead = (product: Product, batch: Batch) =>
  product.degas?.method === 'vacuum-or-pressure' && batch.degas?.method === 'vacuum' && pressed(batch) === false;

function releaseLimit(product: Product, batch: Batch, working: WorkingTime): { low: number | null; fromCard: boolean } {
  const hold = product.pressure?.holdMin;
  const reached = batch.pressure?.reachedMin;
  if (hold != null && reached != null) return { low: reached + hold, fromCard: true };
  return { low: working.gelMin, fromCard: false };
}

function pressingNote(unpressed: boolean, vacuumInstead: boolean): string | null {
  if (vacuumInstead) return 'It had its vacuum instead, as the card allows.';
  return unpressed ? 'The batch was not pressed.' : null;
}

function pressureReadings(product: Product, batch: Batch, working: WorkingTime, say: Say): LimitReading[] {
  const { minKPa = null, maxKPa = null } = product.pressure ?? {};
  const { gaugeKPa, reachedMin, releasedMin } = batch.pressure ?? {};
  const unpressed = pressed(batch) === false;
  const vacuumInstead = hadVacuumInstead(product, batch);
  const asked = (minKPa !== null || maxKPa !== null) && !vacuumInstead;
  const timed = asked || pressed(batch) === true;
  const note = pressingNote(unpressed, vacuumInstead);
  const release = releaseLimit(product, batch, working);
  const gelWords = whoseTime(working, 'gel time', say);
  const readings: ReadingParts[] = [
    {
      field: 'pressure.gaugeKPa',
      measured: gaugeKPa,
      low: vacuumInstead ? null : minKPa,
      high: vacuumInstead ? null : maxKPa,
      unit: 'kPa',
      note,
    },
    {
      field: 'pressure.reachedMin',
      measured: unpressed ? null : reachedMin,
      high: timed ? working.gelMin : null,
      unit: 'min',
      whose: gelWords,
      note,
    },
    {
      field: 'pressure.releasedMin',
      measured: unpressed ? null : releasedMin,
      low: timed ? release.low : null,
      unit: 'min',
      whose: release.fromCard ? 'the card, counted from full pressure,' : gelWords,
      note,
    },
  ];
  return readings.map((parts) => makeReading(parts, say));
}

/** Clearing the air, the pour against the time there was, depth, and pressing. */
export function pourReadings(product: Product, batch: Batch, working: WorkingTime, say: Say): LimitReading[] {
  const { vacuumHigh, ...degas } = degasParts(product, batch);
  const potLife = { high: working.potLifeMin, unit: 'min', whose: whoseTime(working, 'pot life', say) };
  return [
    makeReading({ field: 'degas.minutes', measured: batch.degas?.minutes, unit: 'min', ...degas }, say),
    makeReading(
      { field: 'degas.vacuumKPaAbs', measured: batch.degas?.vacuumKPaAbs, high: vacuumHigh, unit: 'kPa' },
      say,
    ),
    makeReading({ field: 'pour.startedMin', measured: batch.pour?.startedMin, ...potLife }, say),
    makeReading({ field: 'pour.finishedMin', measured: batch.pour?.finishedMin, ...potLife }, say),
    makeReading(
      {
        field: 'pour.depthMm',
        measured: batch.pour?.depthMm,
        low: product.depth?.minMm,
        high: product.depth?.maxMm,
        unit: 'mm',
      },
      say,
    ),
    ...pressureReadings(product, batch, working, say),
  ];
}
