import { additiveSchema, type AdditiveCard } from '../formats/additiveCard';
import { gearSchema, type Gear } from '../formats/gear';
import { inclusionSchema, type InclusionCard } from '../formats/inclusion';
import { lotSchema, type LotCard } from '../formats/lot';
import type { Product } from '../formats/product';
import { addMonths } from '../units/days';
import { SALTMARSH_CARDS, saltmarshCard } from './saltmarshCards';

const DAY_MS = 86_400_000;
const dayBefore = (now: Date, days: number) => new Date(now.getTime() - days * DAY_MS).toISOString().slice(0, 10);

/** Days before today on which the lots in use were opened: before the oldest of the demo batches. */
const OPENED_DAYS_AGO = 45;
/** The lot that was forgotten open on a shelf. */
const FORGOTTEN_DAYS_AGO = 195;

const PRICE_PER_KG: Record<string, number> = {
  epoxy: 19,
  polyurethane: 26,
  polyester: 11,
  'uv-acrylate': 64,
  'mineral-acrylic': 7,
  silicone: 31,
};

function lotOf(card: Product, part: 'A' | 'B', index: number, now: Date): LotCard {
  const small = card.family === 'uv-acrylate' || (part === 'B' && card.ratio.catalyst != null);
  const large = part === 'A' ? 5000 : 4000;
  const deep = card.use?.includes('deep-casting') ? 2.4 : 1;
  const quantityG = (small ? 500 : large) * deep;
  const openedOn = dayBefore(now, OPENED_DAYS_AGO);
  return lotSchema.parse({
    format: 'warm-jar.lot/1',
    code: part === 'A' ? `A-${70 + index}` : `B-${30 + index}`,
    productSlug: card.slug,
    part,
    receivedOn: dayBefore(now, OPENED_DAYS_AGO + 12),
    openedOn,
    useBy: addMonths(openedOn, (card.shelf?.unopenedMonths ?? 12) - 1),
    quantityG,
    price: Math.round((quantityG / 1000) * (PRICE_PER_KG[card.family] ?? 20)),
    colour: 'clear',
  });
}

const partsOf = (card: Product): ('A' | 'B')[] => (card.family === 'uv-acrylate' ? ['A'] : ['A', 'B']);

/** Every lot of the demo studio: one in use of each part, and a forgotten one of the clear urethane. */
export function saltmarshLots(now: Date): LotCard[] {
  const inUse = SALTMARSH_CARDS.flatMap((card, i) => partsOf(card).map((part) => lotOf(card, part, i, now)));
  const forgotten = (['A', 'B'] as const).map((part) =>
    lotSchema.parse({
      ...lotOf(saltmarshCard('house-clear-6'), part, 0, now),
      code: `${part}-52`,
      receivedOn: dayBefore(now, 210),
      openedOn: dayBefore(now, FORGOTTEN_DAYS_AGO),
      useBy: dayBefore(now, -60),
      colour: part === 'B' ? 'pale' : 'clear',
      quantityG: 4000,
      price: 112,
      note: 'was left open on the window shelf',
    }),
  );
  return [...inUse, ...forgotten];
}

/** The lot of a product's part in use, or the forgotten one. */
export function saltmarshLot(slug: string, part: 'A' | 'B', now: Date, forgotten = false): LotCard | null {
  return (
    saltmarshLots(now).find((l) => l.productSlug === slug && l.part === part && l.code.endsWith('-52') === forgotten) ??
    null
  );
}

export function saltmarshInclusions(now: Date): InclusionCard[] {
  const at = (hoursAgo: number, massG: number) => ({
    at: new Date(now.getTime() - hoursAgo * 3_600_000).toISOString().replace(/\.\d{3}Z$/, '+00:00'),
    massG,
  });
  const inclusion = (code: string, what: string, more: Record<string, unknown>) =>
    inclusionSchema.parse({ format: 'warm-jar.inclusion/1', code, what, ...more });
  return [
    inclusion('I-01', 'oak offcuts', {
      kind: 'wood',
      driedBy: 'oven',
      sealed: true,
      treated: false,
      moisturePct: 7,
      weighings: [at(96, 412), at(72, 388.6), at(48, 381.2), at(24, 379.4), at(4, 378.8)],
      pairs: [{ productSlug: 'house-deep-40', on: dayBefore(now, 60), when: 'after-a-month', outcome: 'good' }],
    }),
    inclusion('I-02', 'dried bladderwrack', {
      kind: 'plant',
      driedBy: 'press',
      sealed: false,
      treated: true,
      moisturePct: 9,
      maxC: 60,
      weighings: [at(52, 38.4), at(28, 35.1), at(4, 33.9)],
      pairs: [
        {
          productSlug: 'house-clear-6',
          on: dayBefore(now, 90),
          when: 'next-day',
          outcome: 'bad',
          note: 'went dark overnight, small bubbles round it',
        },
        { productSlug: 'house-coat-9', on: dayBefore(now, 40), when: 'at-once', outcome: 'good' },
      ],
    }),
    inclusion('I-03', 'cork', {
      kind: 'wood',
      driedBy: 'desiccant',
      sealed: true,
      treated: false,
      moisturePct: 6,
      weighings: [at(30, 54.1), at(6, 54)],
    }),
    inclusion('I-04', 'brass turnings', {
      kind: 'metal',
      driedBy: 'not-dried',
      sealed: false,
      treated: false,
      pairs: [{ productSlug: 'house-deep-40', on: dayBefore(now, 30), when: 'after-a-month', outcome: 'good' }],
    }),
  ];
}

export function saltmarshAdditives(): AdditiveCard[] {
  const additive = (code: string, name: string, kind: string, more: Record<string, unknown> = {}) =>
    additiveSchema.parse({ format: 'warm-jar.additive/1', code, name, kind, ...more });
  return [
    additive('C-01', 'amber dye', 'dye', { drops: { counted: 40, massG: 1.24 } }),
    additive('C-02', 'bottle green dye', 'dye', { drops: { counted: 50, massG: 1.61 } }),
    additive('C-03', 'chalk white paste', 'pigment-paste'),
    additive('C-04', 'pearl mica', 'mica'),
    additive('C-05', 'ink of the tide', 'solvent-ink', {
      drops: { counted: 60, massG: 1.38 },
      solvent: true,
      refusedBy: ['house-tide'],
    }),
    additive('C-06', 'blue craft paint', 'water-based-paint', {
      waterPct: 52,
      refusedBy: ['house-clear-6', 'house-bone-3'],
    }),
    additive('C-07', 'stone flour', 'filler'),
  ];
}

export function saltmarshGear(now: Date): Gear[] {
  const gear = (code: string, kind: string, name: string, more: Record<string, unknown> = {}) =>
    gearSchema.parse({ format: 'warm-jar.gear/1', code, kind, name, ...more });
  /** In the demo studio every instrument is a stand-in. */
  const read = { device: 'simulated' };
  return [
    gear('G-01', 'scale', 'bench scale', { stepG: 0.1, capacityG: 3000, ...read }),
    gear('G-02', 'scale', 'old kitchen scale', { stepG: 2, capacityG: 5000 }),
    gear('G-03', 'thermometer', 'infrared thermometer', { stepC: 0.1, ...read }),
    gear('G-04', 'pressure-vessel', 'the pot', {
      freeL: 18,
      ratedKPa: 400,
      inspectionDue: dayBefore(now, -150),
      ...read,
    }),
    gear('G-05', 'compressor', 'small compressor', { tankL: 6, cutOutKPa: 800, freeAirLPerMin: 38 }),
    gear('G-06', 'vacuum-pump', 'pump', { ultimateKPaAbs: 1.5, ...read }),
    gear('G-07', 'vacuum-chamber', 'glass chamber', { volumeL: 11 }),
    gear('G-08', 'lamp', 'curing lamp', { irradianceMWPerCM2: 18, wavelengthNm: 405, hours: 320 }),
    gear('G-09', 'hot-box', 'hot box', { maxC: 60 }),
    gear('G-10', 'cup', 'litre cup', { volumeML: 1000, diameterMm: 110, material: 'polypropylene' }),
    gear('G-11', 'cup', 'half-litre cup', { volumeML: 500, diameterMm: 88, material: 'polypropylene' }),
    gear('G-12', 'cup', 'mixing bucket', { volumeML: 5000, diameterMm: 190, material: 'polypropylene' }),
    gear('G-13', 'scale', 'fine scale', { stepG: 0.01, capacityG: 200, ...read }),
    gear('G-14', 'room-sensor', 'room sensor', read),
    gear('G-15', 'hardness-tester', 'hardness tester', read),
  ];
}
