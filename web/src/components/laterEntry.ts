import { defineAsyncComponent, h, type Component } from 'vue';

/** As high as an entry, so that nothing moves when that is there. */
const Coming = () => h('span', { class: 'p-inputtext p-component', 'aria-hidden': true }, '\u00a0');

/** Said where it cannot be fetched: an entry that is missing without a word would be taken for one that is not asked. */
const NotHere = () =>
  h('span', { class: 'small', role: 'alert' }, 'The calendar cannot be fetched now. Load the page again.');

/** The calendar is the largest of all entries: it comes after the page that has one. */
const later = <T extends Component>(loader: () => Promise<{ default: T }>) =>
  defineAsyncComponent({ loader, loadingComponent: Coming, delay: 0, errorComponent: NotHere });

export const DateEntry = later(() => import('./DateEntry.vue'));
export const MomentEntry = later(() => import('./MomentEntry.vue'));
