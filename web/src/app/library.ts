import { defaultOptions, setup } from 'primevue/config';
import { markRaw, type App } from 'vue';
import { WarmJarTheme } from './theme';

declare module 'primevue/config' {
  /** What the library's own installer ends in: it takes the options as they are. */
  function setup(app: App, options: PrimeVueConfiguration): void;
}

/** The nonce that this answer's page allows injected styles to carry. */
const nonceOfPage = () => document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce;

/**
 * The component library with Warm Jar's look. Its installer would make the whole look reactive and walk through it
 * before anything is drawn; the look never changes, so it is handed over as a plain thing.
 */
export const library = {
  install(app: App): void {
    const nonce = nonceOfPage();
    setup(app, {
      ...defaultOptions,
      theme: { preset: markRaw(WarmJarTheme), options: { darkModeSelector: '.never-dark' } },
      ...(nonce ? { csp: { nonce } } : {}),
    });
  },
};
