import { h, type Component } from 'vue';
import { laterPart, type Loader } from './laterPart';

/** As high as an entry, so that nothing moves when that is there. */
const Coming = () => h('span', { class: 'p-inputtext p-component', 'aria-hidden': true }, '\u00a0');

/** The calendar is the largest of all entries: it comes after the page that has one. */
const later = <T extends Component>(loader: Loader<T>) => laterPart(loader, 'The calendar', { coming: Coming });

export const DateEntry = later(() => import('./DateEntry.vue'));
export const MomentEntry = later(() => import('./MomentEntry.vue'));
