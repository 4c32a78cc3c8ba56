import { defineAsyncComponent } from 'vue';

const cups = () => import('./CupsStep.vue');
const close = () => import('./CloseStep.vue');
const powder = () => import('./DustedPowder.vue');

/** What a run comes to late or seldom, with lists and boxes that no other step has: it comes after the page. */
export const CupsStep = defineAsyncComponent(cups);
export const CloseStep = defineAsyncComponent(close);
export const DustedPowder = defineAsyncComponent(powder);

/** Fetches them before they are needed: by then the network may be gone. What cannot be had now is asked for then. */
export const fetchLaterParts = (): void => void Promise.allSettled([cups(), close(), powder()]);
