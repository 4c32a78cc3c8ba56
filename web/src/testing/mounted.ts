import { createPinia, setActivePinia } from 'pinia';
import PrimeVue from 'primevue/config';
import ConfirmationService from 'primevue/confirmationservice';
import ToastService from 'primevue/toastservice';
import { createApp, nextTick, type Component } from 'vue';
import { createMemoryHistory, createRouter, type Router } from 'vue-router';
import { vi } from 'vitest';
import { PLACES } from '../places/places';

/** What a fetch of the page asked. */
export interface Asked {
  readonly method: string;
  readonly path: string;
  readonly headers: Headers;
  readonly body: unknown;
}
/** How the pretended server answers: a body with its status, by the request. */
export interface Answered {
  readonly status?: number;
  readonly body?: unknown;
  /** The version that the answer's ETag names. */
  readonly version?: number;
}
export type Answers = (asked: Asked) => Answered | undefined;

/** A server that answers by a function; tells all that was asked of it. */
export function pretendServer(answers: Answers): readonly Asked[] {
  const all: Asked[] = [];
  vi.stubGlobal('fetch', (path: string, init: RequestInit = {}) => {
    const asked: Asked = {
      method: init.method ?? 'GET',
      path: path.replace('/api/v1', ''),
      headers: new Headers(init.headers),
      body: typeof init.body === 'string' ? (JSON.parse(init.body) as unknown) : null,
    };
    all.push(asked);
    const {
      status = 200,
      body = null,
      version,
    } = answers(asked) ?? { status: 404, body: refusal('not-found', 'Not there.') };
    const headers = new Headers(version === undefined ? {} : { ETag: `"${version}"` });
    return Promise.resolve(new Response(status === 204 ? null : JSON.stringify(body), { status, headers }));
  });
  return all;
}

/** A refusal in the one shape of the API. */
export const refusal = (code: string, message: string, issues: { path: string; message: string }[] = []) => ({
  error: { code, message, issues },
});

/** A stream of a pretended server: silent, until a test tells something by it. */
class PretendedEvents {
  static readonly CLOSED = 2;
  readonly readyState = 0;
  static open = new Set<PretendedEvents>();
  onopen: (() => void) | null = null;
  onerror: (() => void) | null = null;
  private readonly listeners = new Map<string, (event: { data: string }) => void>();
  constructor() {
    PretendedEvents.open.add(this);
  }
  addEventListener(name: string, act: (event: { data: string }) => void): void {
    this.listeners.set(name, act);
  }
  close(): void {
    PretendedEvents.open.delete(this);
  }
  tell(name: string, data: unknown): void {
    this.onopen?.();
    this.listeners.get(name)?.({ data: JSON.stringify(data) });
  }
}

/** Tells every open page something by its stream, as the server would. */
export function tellPages(name: string, data: unknown): void {
  for (const stream of PretendedEvents.open) stream.tell(name, data);
}
/** Ends the streams, as a server does that goes away. */
export function hangUp(): void {
  for (const stream of PretendedEvents.open) stream.onerror?.();
}

export interface Mounted {
  readonly root: HTMLElement;
  readonly router: Router;
  readonly text: () => string;
  /** The button whose words hold these. */
  readonly button: (words: string) => HTMLButtonElement;
  readonly type: (css: string, text: string) => Promise<void>;
  /** Lets answers come and the page draw them. */
  readonly settle: () => Promise<void>;
  readonly unmount: () => void;
}

/** A component on a page of its own, with router, stores and controls as the application has them. */
export async function mounted(component: Component, props: object = {}, at = '/'): Promise<Mounted> {
  vi.stubGlobal('EventSource', PretendedEvents);
  const pinia = createPinia();
  setActivePinia(pinia);
  const empty = { template: '<i />' };
  const router = createRouter({
    history: createMemoryHistory(),
    routes: PLACES.map(({ name, path }) => ({ name, path, component: empty })),
  });
  await router.push(at);
  const root = document.createElement('div');
  document.body.append(root);
  const app = createApp(component, { ...props })
    .use(pinia)
    .use(router)
    .use(PrimeVue)
    .use(ConfirmationService)
    .use(ToastService);
  app.mount(root);
  const settle = async () => {
    for (let i = 0; i < 6; i += 1) await new Promise((done) => setTimeout(done, 0));
    await nextTick();
  };
  await settle();
  return {
    root,
    router,
    text: () => (root.textContent ?? '').replaceAll(/\s+/g, ' ').trim(),
    button: (words) => {
      const found = [...root.querySelectorAll('button')].find((b) => (b.textContent ?? '').includes(words));
      if (!found) throw new Error(`No button says "${words}": ${root.textContent ?? ''}`);
      return found;
    },
    type: async (css, text) => {
      const field = root.querySelector<HTMLInputElement>(css);
      if (!field) throw new Error(`No field at ${css}.`);
      field.value = text;
      field.dispatchEvent(new Event('input', { bubbles: true }));
      await nextTick();
    },
    settle,
    unmount: () => {
      app.unmount();
      root.remove();
    },
  };
}

/** What a composable gives, used within a component of its own. */
export interface Used<T> extends Mounted {
  readonly result: T;
}

/** A composable at work: with router, stores and services as the application has them, and nothing drawn. */
export async function used<T>(use: () => T, at = '/'): Promise<Used<T>> {
  let result: T | undefined;
  const page = await mounted(
    {
      setup: () => {
        result = use();
        return () => null;
      },
    },
    {},
    at,
  );
  return { ...page, result: result as T };
}
