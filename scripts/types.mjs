import { run } from './setup/run.mjs';

/** Type-checks the rooms that hold plain TypeScript, then the one with components. */
const CHECKS = [
  ['tsc', '-p', 'core'],
  ['tsc', '-p', 'server'],
  ['tsc', '-p', 'e2e'],
  ['tsc', '-p', '.'],
  ['vue-tsc', '-p', 'web'],
];
const codes = [];
for (const [tool, ...args] of CHECKS) codes.push(await run('npx', ['--no-install', tool, '--noEmit', ...args]));
process.exit(codes.some((c) => c !== 0) ? 1 : 0);
