import { afterAll } from 'vitest';
import { startApplication, type Application } from './application';
import { Bench } from './browser';

/** The started application with a browser in front of it, both closed after the tests of the file. */
export async function inBrowser(
  options: Parameters<typeof startApplication>[0],
): Promise<{ application: Application; bench: Bench }> {
  const application = await startApplication(options);
  const bench = await Bench.open(application.address);
  afterAll(async () => {
    await bench.close();
    await application.stop();
  });
  return { application, bench };
}
