import { useRouter } from 'vue-router';

interface Tab {
  readonly group: string;
  readonly to: string;
  readonly title: string;
}

/** The places of a group that stand side by side, as the table of places has them. */
export function useTabs(group: string): readonly Tab[] {
  const tabs = useRouter()
    .getRoutes()
    .flatMap((route) => (route.meta['tabs'] as readonly Tab[] | undefined) ?? []);
  return tabs.filter((tab) => tab.group === group);
}
