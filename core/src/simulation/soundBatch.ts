import { batchSchema, type Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { calibrate, isCalibrated } from '../cure/calibration';
import { addMonths } from '../limits/lotDates';
import { partsForTotal } from '../mixing/partsForTotal';
import { saltmarshCard } from './saltmarshCards';

type Patch = { [key: string]: unknown };
const isPlain = (v: unknown): v is Patch => typeof v === 'object' && v !== null && !Array.isArray(v);

/** `base` with `patch` laid over it, section by section; lists and plain values are replaced whole. */
export function overlay(base: Patch, patch: Patch): Patch {
  const out: Patch = { ...base };
  for (const [key, value] of Object.entries(patch)) {
    const before = out[key];
    out[key] = isPlain(value) && isPlain(before) ? overlay(before, value) : value;
  }
  return out;
}

const middle = (a: number | null | undefined, b: number | null | undefined, otherwise: number) =>
  a != null && b != null ? (a + b) / 2 : (a ?? b ?? otherwise);

function soundMix(card: Product, totalG: number): Patch {
  const stirMin = (card.mix?.minMin ?? 1) * 1.2;
  const common = {
    stirMin,
    scrapedWalls: true,
    secondCup: false,
    tool: 'steel',
    vigour: 'gentle',
    shaken: false,
    scaleStepG: 0.1,
    unit: 'g',
  };
  if (card.family === 'uv-acrylate') return { ...common, measuredBy: 'light', amountA: totalG };
  if (card.ratio.catalyst) {
    const pct = card.ratio.catalyst.typicalPct ?? 1;
    return { ...common, measuredBy: 'catalyst', amountA: totalG, amountB: (totalG * pct) / 100 };
  }
  const { massAG, massBG } = partsForTotal(card, totalG);
  return { ...common, measuredBy: card.ratio.powder ? 'powder' : 'weight', amountA: massAG, amountB: massBG };
}

function soundPressing(card: Product, closedMin: number): Patch {
  if (card.pressure?.minKPa == null) return { gaugeKPa: 0 };
  const reachedMin = closedMin + 1;
  return {
    gaugeKPa: middle(card.pressure.minKPa, card.pressure.maxKPa, 300),
    startedMin: closedMin,
    reachedMin,
    releasedMin: reachedMin + (card.pressure.holdMin ?? 60) + 10,
  };
}

/**
 * A batch of a Saltmarsh product in which nothing was done wrong: every limit of the card kept, well inside. Worked
 * records and made-up batches start from it and change what went wrong.
 * @param patch laid over the sound batch section by section
 */
export function soundBatch(slug: string, patch: Patch = {}, totalG = 200): Batch {
  const card = saltmarshCard(slug);
  const roomC = middle(card.room?.minC, card.room?.maxC, 21);
  const resinC = middle(card.resin?.minC, card.resin?.maxC, 22);
  const fit = calibrate(card);
  const workMin = (isCalibrated(fit) ? card.potLife?.minutes : null) ?? 10;
  const stirMin = (card.mix?.minMin ?? 1) * 1.2;
  const restMin = (card.mix?.restMin ?? 0) * 1.3;
  const pourFrom = stirMin + Math.max(restMin, workMin * 0.1);
  const pourTo = pourFrom + workMin * 0.12;
  const vacuum = card.degas?.method === 'vacuum' || card.degas?.method === 'vacuum-or-pressure';
  const demouldMin = (card.demould?.minutes ?? 60) * 1.3;
  const startedAt = '2026-03-14T10:00:00+00:00';
  const shelf = {
    openedOn: '2026-02-20',
    useBy: addMonths('2026-02-20', card.shelf?.unopenedMonths ?? 12),
    colour: 'clear',
  };
  const base: Patch = {
    format: 'warm-jar.batch/1',
    code: 'B-0001',
    startedAt,
    by: 'KO',
    product: { slug: card.slug, revision: card.revision },
    lotA: { code: 'A-77', ...shelf },
    lotB: { code: 'B-31', ...shelf },
    room: { temperatureC: roomC, humidityPct: 52 },
    resin: { temperatureAC: resinC, temperatureBC: resinC, atPourC: resinC, warming: 'none', warmingMin: 0 },
    mix: soundMix(card, totalG),
    additives: [],
    degas: vacuum
      ? {
          method: 'vacuum',
          minutes: (card.degas?.minutes ?? 1) * 1.2,
          vacuumKPaAbs: (card.degas?.vacuumKPaAbs ?? 3) * 0.8,
        }
      : { method: restMin > 0 ? 'rest' : 'none', minutes: restMin },
    pour: {
      startedMin: pourFrom,
      finishedMin: pourTo,
      depthMm: middle(card.depth?.minMm, card.depth?.maxMm, 10) * 0.8,
      tilted: true,
      fast: false,
      scrapedCup: false,
      flame: 'none',
    },
    pressure: soundPressing(card, pourTo + workMin * 0.03),
    mould: {
      code: 'M-12',
      rubber: 'platinum-silicone',
      degassed: true,
      temperatureC: roomC,
      thinnestMm: Math.max(6, (card.thinnestMm ?? 3) * 1.5),
      pulls: 18,
      finish: 'gloss',
      clean: true,
      contacts: [],
    },
    inclusions: [],
    cure: {
      temperatureC: roomC,
      demouldedMin: demouldMin,
      covered: true,
      lightMJPerCM2: card.family === 'uv-acrylate' ? (card.light?.doseMJPerCM2 ?? 1000) * 1.3 : 0,
    },
    checks: [],
    note: '',
  };
  return batchSchema.parse(overlay(base, patch));
}
