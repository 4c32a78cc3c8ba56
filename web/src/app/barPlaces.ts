import type { RouteLocationRaw } from 'vue-router';
import type { WorkItem } from '../stores/urgency';

/** A link of the bar at the thumb. */
export interface BarLink {
  readonly name: 'bench' | 'today' | 'check' | 'log';
  readonly words: string;
  readonly to: RouteLocationRaw;
}

/** Screens that belong to the log's link, beside the log itself. */
const UNDER_LOG = ['log', 'batch', 'diagnosis', 'mend', 'edit-batch', 'new-batch', 'sheet'];

/** Which link of the bar is lit on a screen; null for one that stands under *More*. */
export function barLit(route: string): BarLink['name'] | null {
  if (UNDER_LOG.includes(route)) return 'log';
  return route === 'bench' || route === 'today' || route === 'check' ? route : null;
}

const soonest = (items: readonly WorkItem[]) =>
  [...items].sort((a, b) => (a.dueMs ?? Infinity) - (b.dueMs ?? Infinity))[0];

function benchLink(items: readonly WorkItem[], here: string | undefined): BarLink {
  const atBench = items.filter(({ stage }) => stage !== 'check' && stage !== 'done');
  const item = atBench.find(({ code }) => code === here) ?? atBench[0];
  // With nothing in work the way to the bench is a plan.
  return item
    ? { name: 'bench', words: 'Bench', to: { name: 'bench', params: { code: item.code } } }
    : { name: 'bench', words: 'Plan', to: { name: 'plan' } };
}

function checkLink(items: readonly WorkItem[], here: string | undefined): BarLink {
  const code = here ?? soonest(items.filter(({ stage }) => stage === 'check'))?.code;
  const to = code ? { name: 'check', params: { code } } : { name: 'today', hash: '#due' };
  return { name: 'check', words: 'Check', to };
}

/**
 * The bar at the thumb: the bench and the check of the batch at hand, else of the one that is due first.
 * @param here code of the batch that the screen is about
 */
export function barLinks(items: readonly WorkItem[], here: string | undefined): readonly BarLink[] {
  return [
    benchLink(items, here),
    { name: 'today', words: 'Today', to: { name: 'today' } },
    checkLink(items, here),
    { name: 'log', words: 'Log', to: { name: 'log' } },
  ];
}
