import { writeFileSync, mkdirSync } from 'node:fs';
import { startApplication } from './application';
import { Bench } from './browser';
/** args: name path ready [js] … groups separated by -- ; prepare JS run in page */
const args = process.argv.slice(2);
const [width = 1280, height = 800] = (process.env['SIZE'] ?? '1280x800').split('x').map(Number);
mkdirSync('/tmp/shots', { recursive: true });
const application = await startApplication({ demo: true });
const bench = await Bench.open(application.address, { width, height });
try {
  for (const group of args.join('\u0001').split('\u0001--\u0001')) {
    const [name, path, ready, ...scripts] = group.split('\u0001');
    if (path) await bench.go(path);
    if (ready) await bench.see(ready).catch((e: unknown) => console.error(String(e)));
    for (const s of scripts) {
      await bench.driver.executeScript(s);
      await new Promise((r) => setTimeout(r, 900));
    }
    await new Promise((r) => setTimeout(r, 900));
    writeFileSync(`/tmp/shots/${name}.png`, await bench.driver.takeScreenshot(), 'base64');
    console.log(name, await bench.complaints());
  }
} finally {
  await bench.close();
  await application.stop();
}
