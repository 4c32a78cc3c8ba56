import { describe, expect, it } from 'vitest';
import { inPieces, sharedBy } from '../../build';

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

describe('a large package in pieces', () => {
  const PACKAGE: Readonly<Record<string, { importedIds: readonly string[]; code: string }>> = {
    line: { importedIds: ['series', 'symbol'], code: 'l'.repeat(30) },
    series: { importedIds: ['model', 'draw'], code: 's'.repeat(60) },
    symbol: { importedIds: ['draw'], code: 'y'.repeat(20) },
    model: { importedIds: ['util'], code: 'm'.repeat(250) },
    draw: { importedIds: ['util'], code: 'd'.repeat(40) },
    util: { importedIds: [], code: 'u'.repeat(50) },
    pie: { importedIds: ['draw'], code: 'p'.repeat(90) },
  };
  const told = { getModuleInfo: (id: string) => PACKAGE[id] ?? null };
  const sorted = inPieces('charts', ['line'], 100);
  const pieces = Object.fromEntries(Object.keys(PACKAGE).map((id) => [id, sorted(id, told)]));
  it('has what is used and nothing else, each piece of a size', () => {
    expect(pieces['pie']).toBeNull();
    const sizes = new Map<string, number>();
    for (const [id, piece] of Object.entries(pieces))
      if (piece !== null) sizes.set(piece, (sizes.get(piece) ?? 0) + PACKAGE[id]!.code.length);
    expect([...sizes.keys()].every((name) => /^charts[1-9]$/.test(name))).toBe(true);
    // One module alone is larger.
    expect([...sizes.values()].filter((size) => size > 100)).toEqual([250]);
    expect(sizes.size).toBe(4);
  });
  it('has in each piece what stands on those before it alone', () => {
    const at = (id: string) => Number(pieces[id]!.slice('charts'.length));
    for (const [id, { importedIds }] of Object.entries(PACKAGE))
      if (id !== 'pie')
        for (const under of importedIds) expect(at(under), `${id} on ${under}`).toBeLessThanOrEqual(at(id));
  });
});
