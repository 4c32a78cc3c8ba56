import {
  calibrate,
  diagnose,
  isCalibrated,
  limitReadings,
  meshVolume,
  plan,
  planRequestSchema,
  productSchema,
  quickPlan,
  saltmarshBatches,
  saltmarshCard,
  sideLoss,
  simulateCup,
  simulateSlab,
} from '@warm-jar/core';
import { printAccuracy } from './accuracy';
import { printCalibration } from './calibration';
import { cupByOdex, slabByOdex } from './generalSolver';
import { median } from './median';
import { printDrill } from './drill';
import { printScale } from './scale';
import { sphereStl } from './sphere';
import { printDataSheets } from './dataSheets';
import { printStudioRates } from './studioRates';

const card = saltmarshCard('house-clear-6');
const deep = saltmarshCard('house-deep-40');
const [fit, deepFit] = [calibrate(card), calibrate(deep)];
if (!isCalibrated(fit) || !isCalibrated(deepFit)) throw new Error('The demo cards have no kinetics.');
const batches = saltmarshBatches(new Date('2026-11-24T14:30:00Z'));
const faulty = batches.find((b) => b.code === 'B-0399')!;
const request = planRequestSchema.parse({
  product: card,
  want: { volumeML: 248 },
  conditions: { roomC: 19, humidityPct: 58, resinC: 21 },
  route: 'vacuum-then-pressure',
  mould: { depthMm: 22, thinnestMm: 6 },
  gear: {
    scaleStepG: 0.1,
    vesselFreeL: 18,
    vesselRatedKPa: 400,
    compressorTankL: 6,
    compressorTankKPa: 800,
    freeAirLPerMin: 38,
    vacuumKPaAbs: 1.5,
  },
});
const cup = { massG: 200, resinC: 21, roomC: 19 };
const day = { depthMm: 50, resinC: 22, roomC: 21, hours: 24 };
const stl = sphereStl(250, 401);
const loss = sideLoss(deep).wPerM3K;
const parse = median(() => {
  productSchema.parse(JSON.parse(JSON.stringify(card)));
});

/** Each in times of one: parsing the card from JSON, which is the cheapest honest thing to do with it. */
const rows: [string, number][] = [
  ['parse a card (the unit)', parse],
  [
    "fit a card's kinetics",
    // Another card each time: one that says the same has the same fit.
    median((i) => {
      calibrate({ ...card, potLife: { ...card.potLife, minutes: 6 + i / 1000 } });
    }),
  ],
  [
    'plan without the slab',
    median((i) => {
      quickPlan({ ...request, want: { volumeML: 248 + i / 10 } });
    }, 20),
  ],
  [
    'plan with the mould',
    median(() => {
      plan(request);
    }, 10),
  ],
  [
    'one cup, whole cure',
    // Another mass each time: the same cup is remembered.
    median((i) => {
      simulateCup(card, { ...cup, massG: cup.massG + i / 100 });
    }),
  ],
  [
    'the same cup by odex',
    median(() => {
      cupByOdex(fit, cup, 200);
    }),
  ],
  [
    'slab, 60 nodes over 24 h',
    median(() => {
      simulateSlab(deep, day);
    }, 10),
  ],
  [
    'the same slab by odex',
    median(() => {
      slabByOdex(deepFit, day, loss);
    }, 3),
  ],
  [
    'mesh, 200 000 triangles',
    median(() => {
      meshVolume(stl);
    }, 3),
  ],
  [
    'limits of one batch',
    median(() => {
      limitReadings(card, faulty);
    }),
  ],
  [
    'diagnosis of one fault',
    median(() => {
      diagnose(card, faulty);
    }),
  ],
  [
    'limits of thirty batches',
    median(() => {
      for (const b of batches) limitReadings(saltmarshCard(b.product.slug), b);
    }, 10),
  ],
];
console.log('what                          ms      times the unit');
for (const [what, ms] of rows)
  console.log(`${what.padEnd(26)} ${ms.toFixed(3).padStart(9)} ${(ms / parse).toFixed(1).padStart(12)}`);

const of = (what: string) => rows.find(([w]) => w === what)![1];
const slab = simulateSlab(deep, day);
const middle = 'peakC' in slab ? slab.temperatureC.at(-1)![30]! : Number.NaN;
console.log(
  `\nours against a general integrator (odex), same equations: cup ${(of('the same cup by odex') / of('one cup, whole cure')).toFixed(1)} times faster, slab ${(of('the same slab by odex') / of('slab, 60 nodes over 24 h')).toFixed(1)} times faster`,
);
console.log(
  `they agree on the middle of the slab after a day to ${Math.abs(middle - slabByOdex(deepFit, day, loss)).toFixed(3)} K`,
);

/** The parts that are asked for by name; all of them where none is. */
const asked = new Set(process.argv.slice(2));
const isAsked = (part: string) => asked.size === 0 || asked.has(part);
if (isAsked('sheets')) printDataSheets(parse);
if (isAsked('calibration')) printCalibration();
if (isAsked('accuracy')) printAccuracy();
if (isAsked('rates')) printStudioRates();
if (isAsked('drill')) printDrill();
if (isAsked('scale')) await printScale(asked.has('mixed'));
