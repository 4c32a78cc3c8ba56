import { ensureBuilt } from './setup/build.mjs';
import { ensureInstalled } from './setup/install.mjs';
import { runUntilStopped } from './setup/run.mjs';

await ensureInstalled();
await ensureBuilt();
await runUntilStopped('node', ['server/dist/main.js', '--demo', ...process.argv.slice(2)]);
