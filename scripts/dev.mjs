import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensureInstalled } from './setup/install.mjs';
import { ROOT } from './setup/run.mjs';

await ensureInstalled();
const children = [
  spawn('npx', ['--no-install', 'tsx', 'watch', 'server/src/main.ts', '--demo'], { cwd: ROOT, stdio: 'inherit' }),
  spawn('npx', ['--no-install', 'vite', '--host', '127.0.0.1'], { cwd: join(ROOT, 'web'), stdio: 'inherit' }),
];
const stop = () => {
  for (const child of children) child.kill('SIGTERM');
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
for (const child of children) child.on('exit', stop);
