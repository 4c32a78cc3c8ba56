import { ensureBuilt } from './setup/build.mjs';
import { ensureChromium } from './setup/chromium.mjs';
import { ensureInstalled } from './setup/install.mjs';
import { run } from './setup/run.mjs';

await ensureInstalled();
await ensureBuilt();
const { chromium, driver } = await ensureChromium();
process.exit(
  await run('npx', ['--no-install', 'tsx', 'e2e/src/shots.ts', ...process.argv.slice(2)], {
    env: { ...process.env, CHROMIUM: chromium, CHROMEDRIVER: driver },
  }),
);
