import { defineConfig } from 'vite';

/** What is measured is bundled as the server is: run from its sources, each function would first be given its name. */
export default defineConfig({
  ssr: { noExternal: [/^@warm-jar\//] },
  build: {
    ssr: true,
    target: 'node20',
    outDir: '../.cache/bench',
    emptyOutDir: true,
    rollupOptions: { input: { main: 'main.ts' }, output: { entryFileNames: '[name].js' } },
  },
});
