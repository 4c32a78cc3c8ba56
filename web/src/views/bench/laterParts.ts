import { defineAsyncComponent } from 'vue';

const cups = () => import('./CupsStep.vue');
const powder = () => import('./DustedPowder.vue');

/** What few runs come to, with lists that no other step has: it comes after the page. */
export const CupsStep = defineAsyncComponent(cups);
export const DustedPowder = defineAsyncComponent(powder);

/** Fetches them before they are needed: by then the network may be gone. What cannot be had now is asked for then. */
export const fetchLaterParts = (): void => void Promise.allSettled([cups(), powder()]);
