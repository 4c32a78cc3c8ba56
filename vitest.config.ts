import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    // Left to itself it uses one core of two.
    maxWorkers: 2,
    coverage: {
      provider: 'v8',
      include: ['core/src/**/*.ts', 'server/src/**/*.ts', 'web/src/**/*.{ts,vue}'],
      // What starts a process or a page is run by the browser tests; types have no lines.
      exclude: ['**/*.test.ts', '**/*.d.ts', '**/testing/**', '**/main.ts', 'core/src/simulation/cards/**'],
      reportOnFailure: true,
      reporter: ['text-summary', 'json-summary'],
      reportsDirectory: '.cache/coverage',
    },
    projects: [
      {
        extends: true,
        test: { name: 'core', include: ['core/src/**/*.test.ts'], testTimeout: 60_000, isolate: false },
      },
      {
        extends: true,
        test: { name: 'server', include: ['server/src/**/*.test.ts'], testTimeout: 40_000, isolate: false },
      },
      {
        extends: true,
        plugins: [vue()],
        test: { name: 'web', include: ['web/src/**/*.test.ts'], testTimeout: 40_000, isolate: false },
      },
      { extends: true, test: { name: 'scripts', include: ['scripts/**/*.test.ts'] } },
    ],
  },
});
