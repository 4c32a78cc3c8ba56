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
const act = async (a: string, waitMs = 300) => { await bench.tap(`[data-act="${a}"]`); await new Promise((r) => setTimeout(r, waitMs)); };
try {
  await bench.go('/drill');
  await bench.tap('[data-test="begin-bench"]');
  await bench.see('[data-act="read-lots"]');
  await act('read-lots');
  await act('pour-A-false', 8000);
  await act('stop');
  await act('pour-B-false', 6500);
  await shot('bd-pour');
  await act('stop');
  await act('stir-gentle', 24000);
  await shot('bd-stir');
  await act('scrape');
  await act('cast-false', 20000);
  await shot('bd-cast');
  await act('shut-320', 4000);
  for (const a of ['skip-60', 'skip-60', 'release', 'skip-10', 'skip-10', 'skip-10', 'demould']) await act(a, 900);
  await bench.see('[data-test="outcome"]');
  await shot('bd-end', true);
} finally { await bench.close(); await app.stop(); }
