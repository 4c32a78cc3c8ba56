import { calibrate, diagnose, limitReadings, productSchema, saltmarshBatches, saltmarshCard, simulateCup } from '@warm-jar/core';

/** Median time of one call, ms, over enough calls to be told from the clock's own step. */
function median(work: () => void, calls = 40): number {
  work();
  const times = Array.from({ length: calls }, () => { const t = performance.now(); work(); return performance.now() - t; });
  return times.sort((a, b) => a - b)[Math.floor(calls / 2)]!;
}

const card = saltmarshCard('house-clear-6');
const batches = saltmarshBatches(new Date('2026-11-24T14:30:00Z'));
const faulty = batches.find((b) => b.code === 'B-0399')!;
const parse = median(() => { productSchema.parse(JSON.parse(JSON.stringify(card))); });

/** Each in times of one: parsing the card from JSON, which is the cheapest honest thing to do with it. */
const rows: [string, number][] = [
  ['parse a card (the unit)', parse],
  ['fit a card\'s kinetics', median(() => { calibrate(structuredClone(card)); })],
  ['one cup, whole cure', median(() => { simulateCup(card, { massG: 200, resinC: 21, roomC: 19 }); })],
  ['limits of one batch', median(() => { limitReadings(card, faulty); })],
  ['diagnosis of one fault', median(() => { diagnose(card, faulty); })],
  ['limits of thirty batches', median(() => { for (const b of batches) limitReadings(saltmarshCard(b.product.slug), b); }, 10)],
];
console.log('what                          ms      times the unit');
for (const [what, ms] of rows) console.log(`${what.padEnd(26)} ${ms.toFixed(3).padStart(9)} ${(ms / parse).toFixed(1).padStart(12)}`);
