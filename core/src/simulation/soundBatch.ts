import { batchSchema, type Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { calibrate, isCalibrated } from '../cure/calibration';
import { addMonths } from '../units/days';
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

/** When each step of a sound batch happens, min from when the parts met. */
function soundTimes(card: Product) {
  const fit = calibrate(card);
  const workMin = (isCalibrated(fit) ? card.potLife?.minutes : null) ?? 10;
  const stirMin = (card.mix?.minMin ?? 1) * 1.2;
  const restMin = (card.mix?.restMin ?? 0) * 1.3;
  const pourFrom = stirMin + Math.max(restMin, workMin * 0.1);
  const pourTo = pourFrom + workMin * 0.12;
  return {
    restMin,
    pourFrom,
    pourTo,
    closedMin: pourTo + workMin * 0.03,
    demouldedMin: (card.demould?.minutes ?? 60) * 1.3,
  };
}

function soundDegassing({ degas }: Product, restMin: number): Patch {
  const { method, minutes, vacuumKPaAbs } = degas ?? {};
  if (method === 'vacuum' || method === 'vacuum-or-pressure')
    return { method: 'vacuum', minutes: (minutes ?? 1) * 1.2, vacuumKPaAbs: (vacuumKPaAbs ?? 3) * 0.8 };
  return { method: restMin > 0 ? 'rest' : 'none', minutes: restMin };
}

const soundMould = (card: Product, roomC: number): Patch => ({
  code: 'M-12',
  rubber: 'platinum-silicone',
  degassed: true,
  temperatureC: roomC,
  thinnestMm: Math.max(6, (card.thinnestMm ?? 3) * 1.5),
  pulls: 18,
  finish: 'gloss',
  clean: true,
  contacts: [],
});

const soundPour = (card: Product, startedMin: number, finishedMin: number): Patch => ({
  startedMin,
  finishedMin,
  depthMm: middle(card.depth?.minMm, card.depth?.maxMm, 10) * 0.8,
  tilted: true,
  fast: false,
  scrapedCup: false,
  flame: 'none',
});

const OPENED_ON = '2026-02-20';
const soundLots = (card: Product): Patch => {
  const useBy = addMonths(OPENED_ON, card.shelf?.unopenedMonths ?? 12);
  const shelf = { openedOn: OPENED_ON, useBy, colour: 'clear' };
  return { lotA: { code: 'A-77', ...shelf }, lotB: { code: 'B-31', ...shelf } };
};

/**
 * A batch of a Saltmarsh product in which nothing was done wrong: every limit of the card kept, well inside. Worked
 * records and made-up batches start from it and change what went wrong.
 * @param patch laid over the sound batch section by section
 */
export function soundBatch(slug: string, patch: Patch = {}, totalG = 200): Batch {
  const card = saltmarshCard(slug);
  const roomC = middle(card.room?.minC, card.room?.maxC, 21);
  const resinC = middle(card.resin?.minC, card.resin?.maxC, 22);
  const times = soundTimes(card);
  const lightMJPerCM2 = card.family === 'uv-acrylate' ? (card.light?.doseMJPerCM2 ?? 1000) * 1.3 : 0;
  const base: Patch = {
    format: 'warm-jar.batch/1',
    code: 'B-0001',
    startedAt: '2026-03-14T10:00:00+00:00',
    by: 'KO',
    product: { slug: card.slug, revision: card.revision },
    ...soundLots(card),
    room: { temperatureC: roomC, humidityPct: 52 },
    resin: { temperatureAC: resinC, temperatureBC: resinC, atPourC: resinC, warming: 'none', warmingMin: 0 },
    mix: soundMix(card, totalG),
    additives: [],
    degas: soundDegassing(card, times.restMin),
    pour: soundPour(card, times.pourFrom, times.pourTo),
    pressure: soundPressing(card, times.closedMin),
    mould: soundMould(card, roomC),
    inclusions: [],
    cure: { temperatureC: roomC, demouldedMin: times.demouldedMin, covered: true, lightMJPerCM2 },
    checks: [],
    note: '',
  };
  return batchSchema.parse(overlay(base, patch));
}
