import { ensureInstalled } from './setup/install.mjs';
import { run } from './setup/run.mjs';

await ensureInstalled();
const built = await run('npx', [
  '--no-install',
  'vite',
  'build',
  'bench',
  '--config',
  'bench/vite.config.ts',
  '--logLevel',
  'warn',
]);
process.exit(built === 0 ? await run('node', ['.cache/bench/main.js', ...process.argv.slice(2)]) : built);
