import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      { extends: true, test: { name: 'core', include: ['core/src/**/*.test.ts'], testTimeout: 30_000 } },
      { extends: true, test: { name: 'server', include: ['server/src/**/*.test.ts'], testTimeout: 20_000 } },
      { extends: true, plugins: [vue()], test: { name: 'web', include: ['web/src/**/*.test.ts'] } },
      { extends: true, test: { name: 'scripts', include: ['scripts/**/*.test.ts'] } },
    ],
  },
});
