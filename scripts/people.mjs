import { ensureBuilt } from './setup/build.mjs';
import { ensureInstalled } from './setup/install.mjs';
import { run } from './setup/run.mjs';

await ensureInstalled();
await ensureBuilt();
process.exit(await run('node', ['server/dist/people.js', ...process.argv.slice(2)]));
