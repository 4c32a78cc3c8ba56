import { afterAll } from 'vitest';
import { startApplication, type Application } from './application';
import { Bench } from './browser';

/**
 * The started application with a browser in front of it, both closed after the tests of the file.
 * @param keepsShell whether the browser keeps the application for times without a network
 */
export async function inBrowser(
  options: Parameters<typeof startApplication>[0],
  keepsShell = false,
): Promise<{ application: Application; bench: Bench }> {
  const application = await startApplication(options);
  const bench = await Bench.open(application.address, undefined, [], {}, keepsShell);
  afterAll(async () => {
    await bench.close();
    await application.stop();
  });
  return { application, bench };
}
