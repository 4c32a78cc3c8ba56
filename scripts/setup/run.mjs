import { spawn } from 'node:child_process';
import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

/** Folder of the whole project. */
export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '../..');

/** Runs a command in the project's folder to its end, its output shown. Resolves to its exit code. */
export function run(command, args, options = {}) {
  return new Promise((done, fail) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
    child.on('error', fail);
    child.on('exit', (code, signal) => {
      done(signal ? 1 : (code ?? 1));
    });
  });
}

/** Runs a command and stops with its code where it failed. */
export async function mustRun(command, args, options) {
  const code = await run(command, args, options);
  if (code !== 0) process.exit(code);
}

/**
 * Runs a long-lived child until it ends or is told to; Ctrl-C reaches it, and this process waits for its clean end.
 */
export async function runUntilStopped(command, args, options = {}) {
  const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  // The terminal sends SIGINT to both; a SIGTERM comes to this process alone.
  process.on('SIGINT', () => undefined);
  process.on('SIGTERM', () => child.kill('SIGTERM'));
  const code = await new Promise((done, fail) => {
    child.on('error', fail);
    child.on('exit', (exit, signal) => {
      done(signal ? 1 : (exit ?? 1));
    });
  });
  process.exit(code);
}
