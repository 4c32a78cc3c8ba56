import './fonts/fonts.css';
import './fonts/icons.css';
import './app/palette.css';
import './app/meaning.css';
import './app/base.css';
import './app/paper.css';
import { createPinia } from 'pinia';
import PrimeVue from 'primevue/config';
import ConfirmationService from 'primevue/confirmationservice';
import ToastService from 'primevue/toastservice';
import { createApp } from 'vue';
import { z } from 'zod';
import App from './App.vue';
import { router } from './app/router';
import { WarmJarTheme } from './app/theme';
import { claimTab } from './stores/tab';

// Schemas are followed as they stand: the page may not make code, and asking whether it may is told as a breach.
z.config({ jitless: true });

// What is typed belongs to a tab: it is named before anything is read.
await claimTab();

/** The nonce that this answer's page allows injected styles to carry. */
const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce;

createApp(App)
  .use(createPinia())
  .use(router)
  .use(PrimeVue, {
    theme: { preset: WarmJarTheme, options: { darkModeSelector: '.never-dark' } },
    ...(nonce ? { csp: { nonce } } : {}),
  })
  .use(ConfirmationService)
  .use(ToastService)
  .mount('#app');
