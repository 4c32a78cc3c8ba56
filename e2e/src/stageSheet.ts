import { plan, planRequestSchema, saltmarshCard } from '@warm-jar/core';
import type { Application } from './application';
import type { Bench } from './browser';

/** A batch of the demo studio that has come so far, and what is on the scale then. */
interface Stage {
  readonly words: string;
  readonly record: Record<string, unknown>;
  readonly act?: { readonly device: string; readonly body: object };
  readonly keys?: string;
  readonly minutesAgo: number;
}

const STAGES: readonly Stage[] = [
  {
    words: 'weigh',
    record: { mix: { amountA: 145.8, unit: 'g', measuredBy: 'weight' } },
    act: { device: 'G-01', body: { do: 'put', massG: 112.4 } },
    keys: 's',
    minutesAgo: 0,
  },
  { words: 'bring back', record: { mix: { amountA: 145.8, amountB: 131.2, unit: 'g' } }, minutesAgo: 0.4 },
  {
    words: 'colour',
    record: { mix: { amountA: 145.8, amountB: 119.6, unit: 'g' } },
    keys: '+'.repeat(46),
    minutesAgo: 0.7,
  },
  {
    words: 'stir',
    record: {
      mix: { amountA: 145.8, amountB: 119.6, unit: 'g' },
      additives: [{ name: 'amber dye', kind: 'dye', massG: 2.1, applied: 'mixed' }],
      bench: { stirFromMin: 0.9 },
    },
    minutesAgo: 1.7,
  },
  {
    words: 'close',
    record: {
      mix: { amountA: 145.8, amountB: 119.6, unit: 'g', stirMin: 1.6 },
      additives: [{ name: 'amber dye', kind: 'dye', massG: 2.1, applied: 'mixed' }],
      degas: { method: 'vacuum-then-pressure', minutes: 1.5, vacuumKPaAbs: 2.1 },
      pour: { startedMin: 3.6, finishedMin: 4.1, depthMm: 22 },
      bench: { checked: ['Gasket clean and seated', 'Relief valve moves freely'] },
    },
    minutesAgo: 4.5,
  },
  {
    words: 'hold',
    record: {
      mix: { amountA: 145.8, amountB: 119.6, unit: 'g', stirMin: 1.6 },
      additives: [{ name: 'amber dye', kind: 'dye', massG: 2.1, applied: 'mixed' }],
      degas: { method: 'vacuum-then-pressure', minutes: 1.5, vacuumKPaAbs: 2.1 },
      pour: { startedMin: 3.6, finishedMin: 4.1, depthMm: 22 },
      pressure: { vessel: 'G-04', gaugeKPa: 338, startedMin: 4.8, reachedMin: 5.6 },
    },
    act: { device: 'G-04', body: { do: 'fill', toKPa: 338, minutes: 0.01 } },
    minutesAgo: 61,
  },
];

type Studio = Pick<Application, 'address' | 'now'>;

async function post(address: string, path: string, body: object): Promise<Response> {
  return fetch(`${address}/api/v1${path}`, {
    method: 'POST',
    body: JSON.stringify(body),
    headers: { 'Content-Type': 'application/json' },
  });
}

/** Puts a batch at a stage into the studio. @returns its code */
export async function putAtStage(studio: Studio, stage: Pick<Stage, 'record' | 'minutesAgo'>): Promise<string> {
  const product = saltmarshCard('house-clear-6');
  const request = planRequestSchema.parse({
    product,
    want: { volumeML: 248, additives: [{ name: 'amber dye', kind: 'dye', pct: 0.8, dropsPerG: 40 / 1.24 }] },
    conditions: { roomC: 20, humidityPct: 55, resinC: 22 },
    route: 'vacuum-then-pressure',
    gear: {
      scaleStepG: 0.1,
      vesselFreeL: 18,
      vesselRatedKPa: 400,
      compressorTankL: 6,
      compressorTankKPa: 800,
      freeAirLPerMin: 38,
      vacuumKPaAbs: 1.5,
    },
    mould: { depthMm: 22, thinnestMm: 6 },
  });
  const made = await post(studio.address, '/batches', {
    format: 'warm-jar.batch/1',
    by: 'KO',
    product: { slug: product.slug },
    ...(stage.minutesAgo > 0
      ? { startedAt: new Date(studio.now().getTime() - stage.minutesAgo * 60_000).toISOString() }
      : {}),
    room: { temperatureC: 20, humidityPct: 55 },
    resin: { temperatureAC: 22, temperatureBC: 22 },
    mould: { code: 'M-08', degassed: true, thinnestMm: 6 },
    ...stage.record,
    plan: { ...plan(request), request: { ...request, product: { slug: product.slug } } },
  });
  return ((await made.json()) as { code: string }).code;
}

/** Six stages of a run on one picture, each at half size. @returns PNG, base64 */
export async function stageSheet(bench: Bench, studio: Studio): Promise<string> {
  const pictures: string[] = [];
  for (const stage of STAGES) {
    await post(studio.address, '/devices/G-01/act', { do: 'clear' });
    const code = await putAtStage(studio, stage);
    if (stage.act) await post(studio.address, `/devices/${stage.act.device}/act`, stage.act.body);
    await bench.go(`/batches/${code}/bench`);
    await bench.see('[data-test="step"]');
    if (stage.keys === 's') await bench.see('[data-test="scale-choice"]');
    if (stage.keys) await bench.press(...stage.keys);
    await new Promise((done) => {
      setTimeout(done, 1800);
    });
    pictures.push(await bench.driver.takeScreenshot());
  }
  await bench.resize({ width: 1280, height: 1200 });
  await bench.go('/settings');
  await bench.see('.line');
  await bench.driver.executeScript(
    'document.body.innerHTML = "<div id=sheet style=\\"display:grid;grid-template-columns:640px 640px;position:fixed;inset:0;background:#fff\\"></div>"; for (const p of arguments[0]) { const i = new Image(640, 400); i.src = "data:image/png;base64," + p; document.getElementById("sheet").append(i); }',
    pictures,
  );
  await new Promise((done) => {
    setTimeout(done, 1500);
  });
  return bench.driver.takeScreenshot();
}
