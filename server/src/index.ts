export { createApp, API_PREFIX } from './app';
export { openStudio, type Studio } from './studio';
export { fillDemo } from './demo/fillDemo';
