import { createRouter, createWebHistory } from 'vue-router';
import { useSession } from '../stores/session';
import TodayView from '../views/today/TodayView.vue';

/** Every view has an address that can be shared. */
export const router = createRouter({
  history: createWebHistory(),
  scrollBehavior: (_to, _from, saved) => saved ?? { top: 0 },
  routes: [
    { path: '/', name: 'today', component: TodayView, meta: { title: 'Today' } },
    {
      path: '/plan',
      name: 'plan',
      component: () => import('../views/plan/PlanView.vue'),
      meta: { title: 'Plan a batch' },
    },
    {
      path: '/batches/new',
      name: 'new-batch',
      component: () => import('../views/logbatch/LogBatchView.vue'),
      meta: { title: 'Log a batch' },
    },
    { path: '/batches', name: 'log', component: () => import('../views/log/LogView.vue'), meta: { title: 'Log' } },
    {
      path: '/batches/import',
      name: 'import-batches',
      component: () => import('../views/log/ImportBatchesView.vue'),
      meta: { title: 'Bring in batches' },
    },
    {
      path: '/batches/:code',
      name: 'batch',
      component: () => import('../views/batch/BatchView.vue'),
      props: true,
      meta: { title: 'Batch' },
    },
    {
      path: '/batches/:code/edit',
      name: 'edit-batch',
      component: () => import('../views/logbatch/LogBatchView.vue'),
      props: true,
      meta: { title: 'Change batch' },
    },
    {
      path: '/batches/:code/check',
      name: 'check',
      component: () => import('../views/check/CheckView.vue'),
      props: true,
      meta: { title: 'Check' },
    },
    {
      path: '/batches/:code/bench',
      name: 'bench',
      component: () => import('../views/bench/BenchView.vue'),
      props: true,
      meta: { title: 'Bench' },
    },
    {
      path: '/board',
      name: 'board',
      component: () => import('../views/board/BoardView.vue'),
      meta: { title: 'Board', bare: true },
    },
    {
      path: '/batches/:code/sheet',
      name: 'sheet',
      component: () => import('../views/sheet/SheetView.vue'),
      props: true,
      meta: { title: 'Bench sheet' },
    },
    {
      path: '/batches/:code/diagnosis',
      name: 'diagnosis',
      component: () => import('../views/diagnosis/DiagnosisView.vue'),
      props: true,
      meta: { title: 'Diagnosis' },
    },
    {
      path: '/batches/:code/mend',
      name: 'mend',
      component: () => import('../views/mend/MendView.vue'),
      props: true,
      meta: { title: 'Mend' },
    },
    {
      path: '/compare',
      name: 'compare',
      component: () => import('../views/learning/CompareView.vue'),
      meta: { title: 'Side by side' },
    },
    {
      path: '/trials',
      name: 'trials',
      component: () => import('../views/learning/TrialsView.vue'),
      meta: { title: 'Trials' },
    },
    {
      path: '/patterns',
      name: 'patterns',
      component: () => import('../views/learning/PatternsView.vue'),
      meta: { title: 'Patterns' },
    },
    {
      path: '/figures',
      name: 'figures',
      component: () => import('../views/learning/FiguresView.vue'),
      meta: { title: 'Own figures' },
    },
    {
      path: '/pieces',
      name: 'pieces',
      component: () => import('../views/pieces/PiecesView.vue'),
      meta: { title: 'Pieces in layers' },
    },
    {
      path: '/pieces/:code',
      name: 'piece',
      component: () => import('../views/pieces/PieceView.vue'),
      props: true,
      meta: { title: 'Piece' },
    },
    {
      path: '/backup',
      name: 'backup',
      component: () => import('../views/backup/BackupView.vue'),
      meta: { title: 'Backup' },
    },
    {
      path: '/products/new',
      name: 'new-product',
      component: () => import('../views/products/CardEditView.vue'),
      meta: { title: 'Card from a data sheet' },
    },
    {
      path: '/products/import',
      name: 'import-products',
      component: () => import('../views/products/ImportView.vue'),
      meta: { title: 'Bring in cards' },
    },
    {
      path: '/products/:slug/edit',
      name: 'edit-product',
      component: () => import('../views/products/CardEditView.vue'),
      props: true,
      meta: { title: 'Change card' },
    },
    {
      path: '/products/:slug/compare',
      name: 'compare-product',
      component: () => import('../views/products/CompareView.vue'),
      props: true,
      meta: { title: 'Revisions' },
    },
    {
      path: '/:place(lots|moulds|inclusions|additives|gear)/:code?',
      name: 'shelf',
      component: () => import('../views/shelf/ShelfView.vue'),
      props: true,
      meta: { title: 'Shelf' },
    },
    {
      path: '/products/:slug?',
      name: 'products',
      component: () => import('../views/products/ProductsView.vue'),
      props: true,
      meta: { title: 'Products' },
    },
    {
      path: '/units',
      name: 'units',
      component: () => import('../views/settings/UnitsView.vue'),
      meta: { title: 'Units' },
    },
    {
      path: '/people',
      name: 'people',
      component: () => import('../views/people/PeopleView.vue'),
      meta: { title: 'People and devices' },
    },
    {
      path: '/sign-in',
      name: 'sign-in',
      component: () => import('../views/people/SignInView.vue'),
      meta: { title: 'Sign in', bare: true, open: true },
    },
    {
      path: '/pair',
      name: 'pair',
      component: () => import('../views/people/PairView.vue'),
      meta: { title: 'Sign this device in', bare: true, open: true },
    },
    {
      path: '/:rest(.*)*',
      name: 'missing',
      component: () => import('../views/settings/MissingView.vue'),
      meta: { title: 'Not here' },
    },
  ],
});

/** On a network nothing is shown before somebody signed in; a board only shows the board. */
router.beforeEach(async (to) => {
  const session = useSession();
  await session.ready();
  if (session.mustSignIn && to.meta['open'] !== true) return { name: 'sign-in', query: { next: to.fullPath } };
  if (session.isBoard && to.name === 'today') return { name: 'board' };
  return true;
});

router.afterEach((to) => {
  const subject = typeof to.params['code'] === 'string' ? `${to.params['code']}: ` : '';
  document.title = `${subject}${String(to.meta['title'] ?? '')} · Warm Jar`;
});
