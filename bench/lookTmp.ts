import { writeFileSync } from 'node:fs';
import { By } from 'selenium-webdriver';
import { startApplication } from '../e2e/src/application';
import { Bench } from '../e2e/src/browser';
const app = await startApplication({ demo: true });
const bench = await Bench.open(app.address);

const shot = async (name: string, full = false) => {
  if (full) { const h = await bench.driver.executeScript<number>('return document.documentElement.scrollHeight'); await bench.resize({ width: 1280, height: Math.min(h, 2400) }); }
  writeFileSync(`/tmp/${name}.png`, await bench.driver.takeScreenshot(), 'base64');
  if (full) await bench.resize({ width: 1280, height: 800 });
};
try {
  await bench.go('/drill');
  await bench.see('[data-level="3"]');
  await shot('drill-home');
  await bench.tap('[data-level="3"]');
  await bench.see('.cast');
  await shot('drill-a');
  await shot('drill-a-full', true);
  const asks = await bench.driver.findElements(By.css('[data-ask]'));
  await asks[0]!.click();
  await bench.see('[data-told]');
  await bench.tap('[data-test="answer"]');
  await bench.see('[data-test="outcome"]');
  await shot('drill-b');
  await shot('drill-b-full', true);
  await bench.go('/drill');
  await bench.see('[data-topic="press-by"]');
  await shot('drill-home2', true);
  await bench.tap('[data-topic="press-by"]');
  await bench.see('#quick-figure');
  await shot('drill-q');
} finally { await bench.close(); await app.stop(); }
