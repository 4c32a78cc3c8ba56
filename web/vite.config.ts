import { fileURLToPath } from 'node:url';
import vue from '@vitejs/plugin-vue';
import { globSync } from 'tinyglobby';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import { firstPage, inOrder, inPieces, packed, preloadedFonts, sharedBy, smallOnes, withoutJsonSchema } from './build';
import { libraryLook } from './libraryLook';
import { laterSchemas } from './laterSchemas';
import { viewFiles } from './viewFiles';

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
  // The application registers it once the page is there (keptShell).
  injectRegister: false,
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

/**
 * What every page stands on stays in a browser when a view changes. Three files of a size: connections share what the
 * network gives, so that the largest file of a page is there last, and one of 80 kB alone took as long as all the rest.
 */
const VUE = /rolldown[\\/]runtime|node_modules[\\/](?:@vue[\\/]|vue[\\/])/;
/** With what has to be said before the first schema is made. */
const SCHEMAS = /node_modules[\\/]zod[\\/]|[\\/]app[\\/]noMadeCode\.ts$/;
const LIBRARY =
  /node_modules[\\/](?:vue-router[\\/]|pinia[\\/]|@vueuse[\\/](?:core|shared)[\\/]|@primevue[\\/]core[\\/]|@primeuix[\\/](?:styled|utils)[\\/]|primevue[\\/](?:config|button|ripple|badge)[\\/]|@primeuix[\\/]styles[\\/]dist[\\/](?:base|button|ripple|badge)[\\/])/;

/** What views share is sorted by how many of them need it: few files, with little in them that a view does not need. */
const VIEWS = globSync('src/views/**/*View.vue', {
  cwd: fileURLToPath(new URL('.', import.meta.url)),
  absolute: true,
});
const DATES = /[\\/](?:primevue[\\/]datepicker[\\/]|DateEntry\.vue|useTypedDate\.ts)/;
const CHOICES = /[\\/]primevue[\\/](?:select|multiselect)[\\/]/;
const LEDGER = /[\\/]core[\\/]src[\\/]diagnosis[\\/]/;
/** Sums that most views tell something by; what argues, teaches and reads data sheets stays with the views that do. */
const SUMS = /[\\/]core[\\/]src[\\/](?!index\.ts|diagnosis[\\/]|guide[\\/]|drill[\\/]|datasheet[\\/])/;
/** What the bench shares with what comes after it, and with the wall board. */
const RUN = /[\\/](?:web[\\/]src[\\/](?:run|views[\\/]bench|stores[\\/]light)|core[\\/]src[\\/]bench[\\/]splitCups)/;
/** Views that list and argue: what plans and records stand on is nothing to them. */
const LISTING = /(?:LogView|PatternsView|DiagnosisView|CheckView)\.vue$/;
/** Large, and needed by few: what stands on it is not among what many share. */
const HEAVY =
  /[\\/](?:primevue[\\/](?:datepicker|multiselect|inputnumber|dialog)[\\/]|papaparse[\\/]|qrcode[\\/]|(?:CauseLink|OutcomeCard|PatternPicture|CastPicture)\.vue|useSortable)/;

/** Sums and libraries that the first page stands on. */
const NOT_THE_PAGE = /[\\/](?:core[\\/]src|node_modules)[\\/]/;
/** Where a browser begins: the application, and the page that it shows first. */
const FIRST = ['src/main.ts', 'src/views/today/TodayView.vue'].map((path) =>
  fileURLToPath(new URL(path, import.meta.url)),
);

/** What charts of all kinds are drawn with; what one kind alone needs comes with that. */
const CHARTS = [
  'core/echarts',
  'component/grid/install',
  'component/tooltip/install',
  'component/marker/installMarkLine',
  'chart/line/install',
  'renderer/installSVGRenderer',
].map((path) => fileURLToPath(import.meta.resolve(`echarts/lib/${path}.js`)));
/** A file of these takes a desk some fifteen milliseconds to read through, characters as written. */
const CHARTS_AT_ONCE = 450_000;

/** The placeholder is replaced by each answer's nonce on the server. */
export default defineConfig({
  plugins: [
    vue(),
    libraryLook(),
    withoutJsonSchema(),
    laterSchemas(),
    preloadedFonts(),
    inOrder(),
    viewFiles(),
    shell,
    packed(),
  ],
  html: { cspNonce: '__CSP_NONCE__' },
  build: {
    target: 'es2022',
    // What each view asks for is held to a budget (scripts/setup/sizes.mjs).
    manifest: true,
    chunkSizeWarningLimit: 900,
    assetsInlineLimit: 0,
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            { name: 'vue', test: VUE, priority: 9 },
            { name: 'schemas', test: SCHEMAS, priority: 9 },
            { name: 'library', test: LIBRARY, priority: 9 },
            { name: firstPage('ground', FIRST), test: NOT_THE_PAGE, priority: 8 },
            { name: firstPage('first', FIRST), priority: 8 },
            { name: sharedBy('common', VIEWS, { least: 12 }), priority: 7 },
            { name: 'sums', test: SUMS, minShareCount: 6, priority: 6 },
            { name: smallOnes('small', VIEWS, { test: SUMS, most: 12_000, notOf: LISTING }), priority: 6 },
            { name: 'choices', test: CHOICES, priority: 5 },
            { name: 'run', test: RUN, minShareCount: 2, priority: 5 },
            { name: inPieces('charts', CHARTS, CHARTS_AT_ONCE), priority: 5 },
            { name: 'dates', test: DATES, priority: 4 },
            { name: 'ledger', test: LEDGER, minShareCount: 3, priority: 3 },
            { name: sharedBy('often', VIEWS, { least: 3, heavy: HEAVY }), priority: 2 },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4310' } },
});
