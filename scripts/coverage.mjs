import { ensureInstalled } from './setup/install.mjs';
import { reportedProblems } from './setup/coverageFloors.mjs';
import { ROOT, run } from './setup/run.mjs';

await ensureInstalled();
const code = await run('npx', ['--no-install', 'vitest', 'run', '--coverage']);
const problems = reportedProblems(ROOT);
for (const problem of problems) console.error(problem);
process.exit(code !== 0 || problems.length > 0 ? 1 : 0);
