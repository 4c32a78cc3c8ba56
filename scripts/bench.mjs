import { ensureInstalled } from './setup/install.mjs';
import { run } from './setup/run.mjs';

await ensureInstalled();
process.exit(await run('npx', ['--no-install', 'tsx', 'bench/main.ts', ...process.argv.slice(2)]));
