import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureInstalled } from './setup/install.mjs';
import { coverageProblems } from './setup/coverageFloors.mjs';
import { ROOT, run } from './setup/run.mjs';

await ensureInstalled();
const code = await run('npx', ['--no-install', 'vitest', 'run', '--coverage']);
const file = join(ROOT, '.cache/coverage/coverage-summary.json');
const problems = existsSync(file)
  ? coverageProblems(JSON.parse(readFileSync(file, 'utf8')), ROOT)
  : ['No coverage was reported.'];
for (const problem of problems) console.error(problem);
process.exit(code !== 0 || problems.length > 0 ? 1 : 0);
