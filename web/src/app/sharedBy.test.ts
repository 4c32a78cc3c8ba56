import { describe, expect, it } from 'vitest';
import { sharedBy } from '../../build';

/** Who imports what: three views, what they stand on, and a list of all that a package has. */
const IMPORTS: Readonly<Record<string, readonly string[]>> = {
  '/v/PlanView.vue': ['/c/entry.ts', '/c/date.ts', '/w/core/src/index.ts'],
  '/v/LogView.vue': ['/c/entry.ts', '/c/date.ts'],
  '/v/BenchView.vue': ['/c/entry.ts'],
  '/c/entry.ts': ['/c/units.ts'],
  '/c/date.ts': ['/node_modules/primevue/datepicker/index.mjs'],
  '/w/core/src/index.ts': ['/w/core/src/sums.ts'],
};
const modules = { getModuleInfo: (id: string) => ({ importedIds: IMPORTS[id] ?? [] }) };
const VIEWS = Object.keys(IMPORTS).filter((id) => id.endsWith('View.vue'));
const sortedInto = (name: string, options: Parameters<typeof sharedBy>[2]) => {
  const sorted = sharedBy(name, VIEWS, options);
  return [...new Set(Object.entries(IMPORTS).flat(2))].filter((id) => sorted(id, modules) === name).sort();
};

describe('what views share', () => {
  it('is all that so many of them need, with what that stands on', () => {
    expect(sortedInto('common', { least: 3 })).toEqual(['/c/entry.ts', '/c/units.ts']);
    expect(sortedInto('often', { least: 2 })).toEqual([
      '/c/date.ts',
      '/c/entry.ts',
      '/c/units.ts',
      '/node_modules/primevue/datepicker/index.mjs',
    ]);
  });
  it('is not what stands on something large that few need', () => {
    expect(sortedInto('often', { least: 2, heavy: /datepicker/ })).toEqual(['/c/entry.ts', '/c/units.ts']);
  });
  it('is of a list of all that a package has nothing but the list', () => {
    expect(sortedInto('all', { least: 1 })).not.toContain('/w/core/src/sums.ts');
  });
});
