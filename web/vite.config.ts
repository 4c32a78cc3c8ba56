import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';

/** The placeholder is replaced by each answer's nonce on the server. */
export default defineConfig({
  plugins: [vue()],
  html: { cspNonce: '__CSP_NONCE__' },
  build: { target: 'es2022', chunkSizeWarningLimit: 900, assetsInlineLimit: 0 },
  server: { proxy: { '/api': 'http://127.0.0.1:4310' } },
});
