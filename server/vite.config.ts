import { defineConfig } from 'vite';

/** The server is bundled with the core into one file; packages with native parts stay in node_modules. */
export default defineConfig({
  ssr: { noExternal: [/^@warm-jar\//] },
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist',
    sourcemap: true,
    rollupOptions: {
      input: {
        main: 'src/main.ts',
        people: 'src/people.ts',
        planWorker: 'src/work/planWorker.ts',
        learningWorker: 'src/work/learningWorker.ts',
      },
      output: { entryFileNames: '[name].js' },
    },
  },
});
