import { defineAsyncComponent, h, type Component } from 'vue';

/** Said where it cannot be fetched: a step that is missing without a word would be taken for one with nothing to do. */
const NotHere = () =>
  h(
    'p',
    { role: 'alert' },
    'This part of the step cannot be fetched now. What you entered is kept: load the page again once the server answers.',
  );

/** A part of the bench that comes after the page. Where it could not be had, the step that has it asks again. */
export const later = <T extends Component>(loader: () => Promise<{ default: T }>) =>
  defineAsyncComponent({ loader, errorComponent: NotHere });

const cups = () => import('./CupsStep.vue');
const close = () => import('./CloseStep.vue');
const powder = () => import('./DustedPowder.vue');

/** What a run comes to late or seldom, with lists and boxes that no other step has. */
export const CupsStep = later(cups);
export const CloseStep = later(close);
export const DustedPowder = later(powder);

/** Fetches them before they are needed: by then the network may be gone. What cannot be had now is asked for then. */
export const fetchLaterParts = (): void => void Promise.allSettled([cups(), close(), powder()]);
