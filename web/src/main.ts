import './app/noMadeCode';
import './fonts/fonts.css';
import './fonts/icons.css';
import './app/palette.css';
import './app/meaning.css';
import './app/base.css';
import './app/paper.css';
import './app/opening.css';
import { createPinia } from 'pinia';
import ConfirmationService from 'primevue/confirmationservice';
import ToastService from 'primevue/toastservice';
import { createApp } from 'vue';
import App from './App.vue';
import { breathe } from './app/breathe';
import { library } from './app/library';
import { makeRouter } from './app/router';
import { claimTab } from './stores/tab';

// What is typed belongs to a tab: it is named before anything is read.
await claimTab();
const look = await library();
// All of the application was just read: a frame and a tap go first, here and after each part.
await breathe();
const application = createApp(App);
await breathe();
const router = makeRouter();
const parts = [createPinia(), router, look, ConfirmationService, ToastService];
for (const part of parts) {
  await breathe();
  application.use(part);
}
await breathe();
application.mount('#app');
