import { useRouter } from 'vue-router';
import { PLACES } from '../places/places';

interface Tab {
  readonly group: string;
  readonly to: string;
  readonly title: string;
}

/** The places of a group that stand side by side, as the table of places has them. */
export function useTabs(group: string): readonly Tab[] {
  const order = PLACES.map((p) => p.name);
  // The router lists its routes by how closely they match; people want them as they stand in the table.
  const routes = useRouter()
    .getRoutes()
    .sort((a, b) => order.indexOf(String(a.name)) - order.indexOf(String(b.name)));
  const tabs = routes.flatMap((route) => (route.meta['tabs'] as readonly Tab[] | undefined) ?? []);
  return tabs.filter((tab) => tab.group === group);
}
