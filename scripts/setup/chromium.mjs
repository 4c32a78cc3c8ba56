import { existsSync } from 'node:fs';
import { delimiter, join } from 'node:path';
import { run } from './run.mjs';

const find = (name) =>
  [...(process.env.PATH ?? '').split(delimiter), '/usr/bin'].map((d) => join(d, name)).find((p) => existsSync(p));

/** Paths of the browser and its driver; installs Debian's where this user may. */
export async function ensureChromium() {
  const paths = () => ({ chromium: find('chromium'), driver: find('chromedriver') });
  let found = paths();
  if (found.chromium && found.driver) return found;
  if (process.getuid?.() === 0 && find('apt-get')) {
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    await run('apt-get', ['update', '-qq'], { env });
    await run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium', 'chromium-driver'], { env });
    found = paths();
  }
  if (!found.chromium || !found.driver) {
    console.error(
      'The browser tests need Chromium and ChromeDriver. Install them, on Debian with: apt-get install chromium chromium-driver',
    );
    process.exit(1);
  }
  return found;
}
