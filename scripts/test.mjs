import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { totalmem } from 'node:os';
import { join } from 'node:path';
import { ensureChromium } from './setup/chromium.mjs';
import { ensureInstalled } from './setup/install.mjs';
import { sizeProblems } from './setup/sizes.mjs';
import { failuresOf } from './setup/testReport.mjs';
import { ROOT, run } from './setup/run.mjs';

const CACHE = join(ROOT, '.cache');
/** With room to spare the lint, which keeps the types of all rooms, seldom clears up: a quarter of its time. */
const LINT_ROOM = totalmem() > 15e9 ? ['--max-semi-space-size=64', '--max-old-space-size=6000'] : [];
let passed = 0;
let failed = 0;
/** What failed, by name: said once more at the end, where it is read. */
const failures = [];

/** A step that is one test by itself: it holds or it does not. @returns whether it does */
async function step(name, command, args, options) {
  console.log(`\n== ${name}`);
  const code = await run(command, args, options);
  if (code === 0) passed += 1;
  else fail(name);
  return code === 0;
}

function fail(what) {
  failed += 1;
  failures.push(what);
}

/** A run of the test runner, counted from its own report; a run that reports nothing has failed. */
async function tests(name, args, env = {}) {
  console.log(`\n== ${name}`);
  const report = join(CACHE, `${name.replaceAll(' ', '-')}.json`);
  rmSync(report, { force: true });
  const code = await run(
    'npx',
    ['--no-install', 'vitest', 'run', ...args, '--reporter=default', '--reporter=json', `--outputFile.json=${report}`],
    { env: { ...process.env, ...env } },
  );
  const counts = existsSync(report) ? JSON.parse(readFileSync(report, 'utf8')) : {};
  passed += counts.numPassedTests ?? 0;
  const named = failuresOf(counts, ROOT);
  named.forEach(fail);
  if (code !== 0 && named.length === 0) fail(`${name}: ended with ${code}`);
}

/** Something that was looked at already: it holds where there is nothing to say against it. */
function holds(name, problems) {
  console.log(`\n== ${name}`);
  for (const problem of problems) console.log(problem);
  if (problems.length === 0) passed += 1;
  else fail(`${name}: ${problems.join(' ')}`);
}

await ensureInstalled();
const { chromium, driver } = await ensureChromium();
mkdirSync(CACHE, { recursive: true });
// The format and the build are of one thread: they go beside the types.
const types = step('types', 'node', ['scripts/types.mjs']);
await step('format', 'npx', ['--no-install', 'prettier', '--check', '--log-level', 'warn', '.']);
const isBuilt = await step('build', 'node', ['scripts/build.mjs']);
if (isBuilt) holds('sizes', sizeProblems(ROOT));
await types;
await tests('unit tests', []);
// The browser tests wait for pages some of the time: the lint works beside them.
const lint = step('lint', 'node', [...LINT_ROOM, 'node_modules/eslint/bin/eslint.js', '.']);
if (isBuilt)
  await tests('browser tests', ['--config', 'e2e/vitest.config.ts'], { CHROMIUM: chromium, CHROMEDRIVER: driver });
await lint;
if (failures.length > 0) console.log(`\n== failed\n${failures.join('\n')}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
