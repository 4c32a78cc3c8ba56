import { defaultOptions, setup, type PrimeVueConfiguration } from 'primevue/config';
import { markRaw, type App } from 'vue';

declare module 'primevue/config' {
  /** What the library's own installer ends in: it takes the options as they are. */
  function setup(app: App, options: PrimeVueConfiguration): void;
}

/** The nonce that this answer's page allows injected styles to carry. */
const nonceOfPage = () => document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce;

/**
 * The look of the library's parts. A built application has it as style sheets beside each part (`libraryLook`), so that
 * nothing is worked out in the browser; while it is worked on, the library makes it from the theme as it goes. There it
 * is handed over as a plain thing: the library's installer would make all of it reactive and walk through it.
 */
const look = async (): Promise<PrimeVueConfiguration['theme']> => {
  if (import.meta.env.PROD) return 'none';
  const { WarmJarTheme } = await import('./theme');
  return { preset: markRaw(WarmJarTheme), options: { darkModeSelector: '.never-dark' } };
};

/** The component library with Warm Jar's look, to be installed. */
export async function library(): Promise<{ install: (app: App) => void }> {
  const theme = await look();
  const nonce = nonceOfPage();
  return {
    install: (app) => {
      setup(app, { ...defaultOptions, theme, ...(nonce ? { csp: { nonce } } : {}) });
    },
  };
}
