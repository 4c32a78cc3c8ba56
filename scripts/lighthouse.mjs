import { ensureBuilt } from './setup/build.mjs';
import { ensureChromium } from './setup/chromium.mjs';
import { ensureInstalled } from './setup/install.mjs';
import { run } from './setup/run.mjs';

await ensureInstalled();
const { chromium } = await ensureChromium();
await ensureBuilt();
const env = { ...process.env, CHROMIUM: chromium };
process.exit(await run('npx', ['--no-install', 'tsx', 'bench/lighthouse.ts', ...process.argv.slice(2)], { env }));
