import { defineConfig } from 'vitest/config';

/** Two browsers at a time: each waits for its pages most of the time. */
export default defineConfig({
  test: {
    name: 'e2e',
    include: ['e2e/src/**/*.test.ts'],
    root: new URL('..', import.meta.url).pathname,
    maxWorkers: 2,
    isolate: false,
    testTimeout: 240_000,
    hookTimeout: 240_000,
    // What a page shows is waited for as long as anything else is (PATIENCE_MS).
    expect: { poll: { timeout: 20_000, interval: 50 } },
  },
});
