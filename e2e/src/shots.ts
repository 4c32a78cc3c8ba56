import { mkdirSync, writeFileSync } from 'node:fs';
import { Key } from 'selenium-webdriver';
import { startApplication } from './application';
import { Bench } from './browser';
import { firstHourSheet } from './firstHourSheet';
import { putAtStage, stageSheet } from './stageSheet';

/** Fills in what the plan asks of the room, and the route. */
async function conditions(bench: Bench, values: Record<string, string>, route?: string): Promise<void> {
  for (const [field, text] of Object.entries(values)) await bench.type(`#plan-${field}`, text);
  if (route) await bench.pick('#plan-route', route);
  await bench.see('[data-test="mould"]');
  await bench.driver.executeScript('document.activeElement.blur(); window.scrollTo(0, 0)');
}

/** The main views, each with the address that shows it at its best in the demo studio. */
const VIEWS: readonly {
  name: string;
  path: string;
  ready: string;
  prepare?: (bench: Bench) => Promise<void>;
  /** Another size than the usual. */
  size?: { width: number; height: number };
}[] = [
  { name: 'today', path: '/', ready: '.bench' },
  {
    name: 'plan',
    path: '/plan?product=house-clear-6&mould=M-08',
    ready: '[data-test="mould"]',
    prepare: (bench) => conditions(bench, { roomC: '19', humidityPct: '58', resinC: '26' }, 'vacuum then pressure'),
  },
  {
    name: 'plan-mould',
    path: '/plan?product=house-deep-40&mould=M-06',
    ready: '[data-test="mould"]',
    prepare: async (bench) => {
      await conditions(bench, { roomC: '22', humidityPct: '55', resinC: '23', depthMm: '58' });
      await bench.see('[data-test="mould"]');
      await bench.driver.executeScript('document.querySelector(".tabs").scrollIntoView()');
    },
  },
  {
    name: 'log-a-batch',
    path: '/batches/new',
    ready: '#product',
    prepare: async (bench) => {
      await bench.pick('#product', 'House Clear 6');
      for (const [field, text] of [
        ['room-temperatureC', '17.5'],
        ['room-humidityPct', '66'],
        ['resin-temperatureAC', '18'],
        ['resin-temperatureBC', '18.5'],
        ['mix-amountA', '151.4'],
      ] as const)
        await bench.type(`#f-${field}`, text);
      await bench.driver.executeScript('document.querySelector("#s-conditions").scrollIntoView()');
    },
  },
  { name: 'log', path: '/batches', ready: 'tbody tr' },
  { name: 'batch', path: '/batches/B-0414', ready: '[data-casting="k5"]' },
  {
    name: 'check',
    path: '/batches/B-0414/check?casting=k2',
    ready: '.tile',
    prepare: (bench) => bench.tap('[data-symptom="bubbles"]'),
  },
  { name: 'diagnosis', path: '/batches/B-0399/diagnosis', ready: '.cause' },
  { name: 'mend', path: '/batches/B-0389/mend', ready: '[data-test="chain"]' },
  { name: 'products', path: '/products/house-clear-6', ready: '.groups' },
  {
    name: 'drill',
    path: '/drill',
    ready: '[data-level="3"]',
    prepare: async (bench) => {
      // Any cast may come; the picture is of one with bubbles.
      for (let tries = 0; tries < 20; tries += 1) {
        await bench.go('/drill');
        await bench.tap('[data-level="3"]');
        await bench.see('[data-sure]');
        if (/bubbles/.test(await bench.text('figcaption'))) break;
      }
      await bench.tap('[data-ask]');
      await bench.see('[data-told]');
      const handle = await bench.see('[data-sure]:nth-child(2) .p-slider-handle');
      for (let i = 0; i < 11; i += 1) await handle.sendKeys(Key.ARROW_RIGHT);
      await bench.driver.executeScript('document.activeElement.blur(); window.scrollTo(0, 0)');
    },
  },
  {
    name: 'patterns',
    path: '/patterns?kind=bubbles',
    ready: '[data-finding]',
    prepare: async (bench) => {
      await bench.see('[data-test="changes"]');
    },
  },
  { name: 'month', path: '/month', ready: '[data-fault]' },
  { name: 'piece', path: '/pieces/P-04', ready: '[data-layer="2"]' },
  {
    name: 'phone',
    path: '/batches/B-0419/bench',
    ready: '[data-test="pour"]',
    size: { width: 390, height: 844 },
  },
  { name: 'board', path: '/board?batch=B-0419', ready: '[data-test="board-number"]' },
];

/**
 * Retakes the named pictures, or all of them, from a fresh demo studio.
 * `--to` and `--width` are for a look that is not kept.
 */
async function main(args: readonly string[]): Promise<void> {
  const option = (name: string, otherwise: string) => {
    const i = args.indexOf(`--${name}`);
    return i < 0 ? otherwise : (args[i + 1] ?? otherwise);
  };
  const folder = option('to', 'docs/screenshots');
  const width = Number(option('width', '1280'));
  const height = Number(option('height', '800'));
  const wanted = VIEWS.filter((v) => args.every((a) => !VIEWS.some((o) => o.name === a)) || args.includes(v.name));
  mkdirSync(folder, { recursive: true });
  const application = await startApplication({ demo: true });
  const bench = await Bench.open(application.address, { width, height });
  try {
    for (const { name, path, ready, prepare, size } of wanted) {
      await bench.resize(size ?? { width, height });
      await bench.go(path);
      await bench.see(ready);
      await prepare?.(bench);
      await new Promise((resolve) => {
        setTimeout(resolve, 900);
      });
      writeFileSync(`${folder}/${name}.png`, await bench.driver.takeScreenshot(), 'base64');
      const complaints = await bench.complaints();
      if (complaints.length > 0) console.error(name, complaints);
      console.log(`${folder}/${name}.png`);
    }
    if (args.every((a) => !VIEWS.some((o) => o.name === a)) || args.includes('first-hour')) {
      writeFileSync(`${folder}/first-hour.png`, await firstHourSheet(bench));
      console.log(`${folder}/first-hour.png`);
    }
    // Last, for it fills the studio with batches at every stage.
    if (args.every((a) => !VIEWS.some((o) => o.name === a)) || args.includes('bench')) {
      const code = await putAtStage(application, {
        record: { mix: { amountA: 145.8, unit: 'g', measuredBy: 'weight' } },
        minutesAgo: 0,
      });
      await fetch(`${application.address}/api/v1/devices/G-01/act`, {
        method: 'POST',
        body: JSON.stringify({ do: 'put', massG: 112.4 }),
        headers: { 'Content-Type': 'application/json' },
      });
      await bench.go(`/batches/${code}/bench`);
      await bench.see('[data-test="scale-choice"]');
      await bench.press('j');
      await bench.press('k');
      await bench.press('s');
      await bench.see('[data-test="cue"]');
      await new Promise((resolve) => {
        setTimeout(resolve, 2500);
      });
      writeFileSync(`${folder}/bench.png`, await bench.driver.takeScreenshot(), 'base64');
      writeFileSync(`${folder}/bench-stages.png`, await stageSheet(bench, application), 'base64');
      await bench.resize({ width, height });
      console.log(`${folder}/bench.png`);
    }
  } finally {
    await bench.close();
    await application.stop();
  }
}

await main(process.argv.slice(2));
