import { defineConfig } from 'vitest/config';

/** One browser at a time: two cores do not carry more. */
export default defineConfig({
  test: {
    name: 'e2e',
    include: ['e2e/src/**/*.test.ts'],
    root: new URL('..', import.meta.url).pathname,
    fileParallelism: false,
    testTimeout: 90_000,
    hookTimeout: 120_000,
  },
});
