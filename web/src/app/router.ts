import { createRouter, createWebHistory, START_LOCATION, type Router, type RouteRecordRaw } from 'vue-router';
import { BASE } from '../api/base';
import { missingSheets } from '../components/missingSheets';
import type { Place } from '../places/place';
import { PLACES } from '../places/places';
import { useSession } from '../stores/session';
import { breathe } from './breathe';
import { missed, missedFor } from './missed';

const routeOf = ({ name, path, title, view, under, tabs, bare, open }: Place): RouteRecordRaw => ({
  name,
  path,
  component: view,
  props: true,
  meta: { title, under: under ?? name, tabs: tabs ?? [], bare: bare === true, open: open === true },
});

/** What brings the files of the page that is gone to. */
let files: Promise<unknown> = Promise.resolve();
/** Pages that could not be had once: what brings a page asks for its style once, so it is looked for again. */
const missedOnce = new Set<unknown>();

/**
 * Every view has an address that can be shared. Made when it is asked for: to lay out so many addresses takes a phone as
 * long as a frame or two.
 */
export function makeRouter(): Router {
  const router = createRouter({
    history: createWebHistory(BASE === '' ? undefined : BASE),
    // A page just opened is at its top already; asking for it would lay it out once more.
    scrollBehavior: (_to, from, saved) => saved ?? (from === START_LOCATION ? false : { top: 0 }),
    // Addresses that people may have kept.
    routes: [...PLACES.map(routeOf), { path: '/units', redirect: '/settings' }],
  });

  /** On a network nothing is shown before somebody signed in; a board only shows the board. */
  router.beforeEach(async (to, from) => {
    // The view's files come while it is asked who is there.
    const view = to.matched.at(-1)?.components?.['default'];
    files = typeof view === 'function' ? (view as () => Promise<unknown>)() : Promise.resolve();
    files.catch(() => undefined);
    if (from === START_LOCATION) await breathe();
    const session = useSession();
    await session.ready();
    // The shell is there by now: it is drawn before its page is made.
    if (from === START_LOCATION) await breathe();
    if (session.mustSignIn && to.meta['open'] !== true) return { name: 'sign-in', query: { next: to.fullPath } };
    if (session.isBoard && to.name === 'today') return { name: 'board' };
    return true;
  });

  // The page's files were just read: a frame and a tap go before it is made.
  router.beforeResolve(async (to, from) => {
    await files;
    if (missedOnce.has(to.name)) await missingSheets();
    if (from === START_LOCATION) await breathe();
  });

  router.onError((cause, to) => {
    missedOnce.add(to.name);
    const again = () => void router.push(to.fullPath).catch(() => undefined);
    missed.value = missedFor(`“${String(to.meta['title'])}”`, cause, again, () => {
      location.assign(router.resolve(to.fullPath).href);
    });
  });

  router.afterEach((to, _from, failure) => {
    if (failure) return;
    missed.value = null;
    const subject = typeof to.params['code'] === 'string' ? `${to.params['code']}: ` : '';
    document.title = `${subject}${String(to.meta['title'] ?? '')} · Warm Jar`;
  });
  return router;
}
