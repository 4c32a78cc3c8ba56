import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, mustRun } from './run.mjs';
import { writeNotices } from './notices.mjs';
import { hashOf, isStamped, stamp } from './stamp.mjs';

const PARTS = [
  {
    room: 'web',
    from: [
      'package-lock.json',
      'core/src',
      'web/src',
      'web/public',
      'web/index.html',
      'web/vite.config.ts',
      'web/build.ts',
      'web/viewFiles.ts',
      'web/libraryLook.ts',
    ],
    made: 'web/dist/index.html',
  },
  {
    room: 'server',
    from: ['package-lock.json', 'core/src', 'server/src', 'server/vite.config.ts'],
    made: 'server/dist/main.js',
  },
];

/** Builds what has changed since it was last built. */
export async function ensureBuilt() {
  for (const { room, from, made } of PARTS) {
    const file = `${room}/dist/.built-from`;
    const hash = hashOf(from);
    if (existsSync(join(ROOT, made)) && isStamped(file, hash)) continue;
    await mustRun('npx', ['--no-install', 'vite', 'build', '--logLevel', 'warn'], { cwd: join(ROOT, room) });
    if (room === 'web') writeNotices();
    stamp(file, hash);
  }
}
