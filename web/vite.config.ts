import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** How long a page waits for the server before the kept one is shown, s. */
const PAGE_PATIENCE_S = 3;
/** Changes with each build, so that the page which is kept is the one of this build. */
const BUILT = String(Date.now());

/**
 * The shell is kept in the browser, so that the application opens with the server away. The page itself comes from the
 * server where it answers: it carries that answer's nonce. Nothing of the API is kept here; what a run needs is kept by
 * the application, each studio's apart.
 */
const shell = VitePWA({
  injectRegister: 'script-defer',
  registerType: 'autoUpdate',
  includeAssets: [],
  manifest: {
    name: 'Warm Jar',
    short_name: 'Warm Jar',
    description: 'The batch log, limit checker and fault finder for resin studios',
    start_url: '/',
    display: 'standalone',
    background_color: '#fbfaf6',
    theme_color: '#0d2b26',
    icons: [
      { src: '/jar.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' },
      { src: '/jar-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/jar-512.png', sizes: '512x512', type: 'image/png' },
    ],
  },
  workbox: {
    globPatterns: ['assets/**/*.{js,css,woff2}', 'jar.svg'],
    maximumFileSizeToCacheInBytes: 6_000_000,
    additionalManifestEntries: [{ url: '/', revision: BUILT }],
    navigateFallback: null,
    cleanupOutdatedCaches: true,
    runtimeCaching: [
      {
        urlPattern: ({ request, url }) => request.mode === 'navigate' && !url.pathname.startsWith('/api/'),
        handler: 'NetworkFirst',
        options: {
          cacheName: 'pages',
          networkTimeoutSeconds: PAGE_PATIENCE_S,
          precacheFallback: { fallbackURL: '/' },
          // One page serves every address: it is kept once, as it was built.
          plugins: [{ cacheWillUpdate: () => Promise.resolve(null) }],
        },
      },
    ],
  },
});

/** The placeholder is replaced by each answer's nonce on the server. */
export default defineConfig({
  plugins: [vue(), shell],
  html: { cspNonce: '__CSP_NONCE__' },
  build: { target: 'es2022', chunkSizeWarningLimit: 900, assetsInlineLimit: 0 },
  server: { proxy: { '/api': 'http://127.0.0.1:4310' } },
});
